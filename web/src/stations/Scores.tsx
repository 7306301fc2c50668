import "../app/stationWords";
import "../../../locales/en/stations/examine.ftl?learn";
import "../../../locales/en/stations/scores.ftl?learn";
import { SaveMark } from "../app/entries";
import { useShortcuts } from "../app/keys";
import { useReady } from "../app/useReady";
import { Pending, ProblemNote } from "../app/parts";
import { clock, nameOf, sentence, shortDate, t } from "../app/wording";
import { ScoreLine } from "../pictures/ScoreLine";
import { ExamineTabs } from "./examine/Tabs";
import { Ticks } from "./scores/Ticks";
import { type Room, useSheet } from "./scores/useSheet";
import { byOneKey, number, type View } from "./scores/words";
import { Notice } from "../app/Notice";

const KEYS = ["tick", "move"] as const;

/** A sheet of ticks becomes the published number, or the reason why there is none. */
export function Scores({ episode, today }: { episode: string; today: string }) {
  const room = useSheet(episode, today);
  useShortcuts(
    (e) => room.view !== undefined && (tick(e.key, room) || move(e.key, room)),
    KEYS,
  );
  const { page, view, views } = room;
  const ready = useReady(page.data !== undefined);
  if (!page.data || !view || !ready) return <Pending query={page} />;
  return (
    <div id="scores">
      <div className="page-head">
        <h1>{t("scores-title")}</h1>
        <span className="soft num">{clock(page.data.clock)}</span>
        <SaveMark state={room.state} />
        <ExamineTabs episode={episode} at="scores" />
      </div>
      <ProblemNote error={room.error} />
      <div className="scores">
        <ol className="score-list">
          {views.map((v) => {
            const value = v.sheets.at(-1)?.scored?.value;
            return (
              <li key={v.instrument.id}>
                <button
                  aria-current={v === view}
                  onClick={() => room.choose(v.instrument.id)}
                >
                  <span>{nameOf("instrument", v.instrument.id)}</span>
                  <b className="num">
                    {value === undefined ? "" : number(value)}
                  </b>
                </button>
              </li>
            );
          })}
        </ol>
        <Sheet room={room} view={view} />
      </div>
    </div>
  );
}

/** Keys that answer an item, or keep the sheet when all are answered. */
function tick(key: string, room: Room): boolean {
  const { part, typed, setTyped } = room;
  const digit = /^[0-9]$/.test(key);
  const comma = key === "," && typed !== "";
  if (part && byOneKey(part) && (digit || key === "t")) {
    const value = key === "t" ? 10 : Number(key);
    if (value >= part.min && value <= part.max) room.put(value);
  } else if (part && (digit || comma))
    setTyped((now) => (now.length < 6 ? now + key : now));
  else if (part && key === "-" && part.min < 0)
    setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
  else if (part && key === ".") room.put(null);
  else if (key === "Enter" && typed !== "" && typed !== "-") room.putTyped();
  else if (key === "Enter" && room.cell >= room.cells.length) void room.keep();
  else return false;
  return true;
}

/** Keys that move between items and sheets, or take back. */
function move(key: string, room: Room): boolean {
  const { typed, setTyped, setCell, views, view } = room;
  const beside = (by: number) => {
    const at = view ? views.indexOf(view) : 0;
    room.choose(views[(at + by + views.length) % views.length]?.instrument.id);
  };
  if (key === "Backspace" && typed !== "") setTyped((now) => now.slice(0, -1));
  else if (key === "Backspace" || key === "ArrowLeft")
    setCell(Math.max(0, room.cell - 1));
  else if (key === "ArrowRight")
    setCell(Math.min(room.cells.length, room.cell + 1));
  else if (key === "ArrowDown") beside(1);
  else if (key === "ArrowUp") beside(-1);
  else if (key === "u") void room.undo();
  else return false;
  return true;
}

/** One instrument: its line over time, the last change, and the sheet to fill. */
function Sheet({ room, view }: { room: Room; view: View }) {
  const { id } = room;
  const barred = view.barred ?? [];
  const last = view.sheets.at(-1);
  return (
    <section className="sheet" id="sheet" data-instrument={id}>
      <h2 className="size-23">
        {nameOf("instrument", id)}{" "}
        <span className="soft small">
          {t(
            view.instrument.more_is_better
              ? "scores-better-more"
              : "scores-better-less",
          )}
        </span>
      </h2>
      {view.sheets.length > 0 ? (
        <ScoreLine
          view={view}
          width={620}
          label={`${nameOf("instrument", id)}: ${last?.scored ? number(last.scored.value) : t("scores-none")}`}
        />
      ) : (
        <p className="soft">{t("scores-none")}</p>
      )}
      {last?.word && last.change != null && (
        <p id="change" className="flush">
          <b className="num">
            {last.change > 0 ? "+" : ""}
            {number(last.change)}
          </b>{" "}
          {last.worse ? `${t("read-worse")}, ` : ""}
          {nameOf("change", last.word)}.{" "}
          <span className="soft small">
            {view.detectable != null
              ? t("scores-detectable", {
                  detectable: number(view.detectable),
                })
              : ""}
            {view.instrument.important != null
              ? `, ${t("scores-important", { important: number(view.instrument.important) })}`
              : ""}{" "}
            ({view.instrument.change_source},{" "}
            {t("from-memory", {
              confidence: view.instrument.change_confidence ?? "C",
            })}
            ).{disputed(view.instrument)}
          </span>
        </p>
      )}
      {last?.scored && last.scored.parts.length > 0 && (
        <p className="soft num flush">
          {last.scored.parts
            .map((p) => `${nameOf("part", p.part)} ${number(p.value)}`)
            .join(" · ")}
        </p>
      )}
      {barred.length > 0 ? (
        <Notice kind="stop">
          <b>{t("examine-barred")}</b>
          <ul>
            {barred.map((r) => (
              <li key={sentence(r)}>{sentence(r)}</li>
            ))}
          </ul>
        </Notice>
      ) : (
        <Ticks room={room} view={view} />
      )}
      <p className="soft small above-14">
        {t(`scores-rule-${view.instrument.missing_rule}`)}{" "}
        {t("read-source", { source: view.instrument.source })}
      </p>
      {view.sheets.length > 1 && (
        <p className="small num" id="history">
          {t("scores-history")}:{" "}
          {[...view.sheets]
            .reverse()
            .slice(1)
            .map(
              (s) =>
                `${shortDate(s.on)} ${s.scored ? number(s.scored.value) : "–"}`,
            )
            .join(", ")}
        </p>
      )}
    </section>
  );
}

/** Where studies differ on how much change matters or can be told. */
function disputed(instrument: View["instrument"]): string {
  const told = [
    ["scores-important-elsewhere", instrument.important_elsewhere],
    ["scores-detectable-elsewhere", instrument.detectable_elsewhere],
  ] as const;
  const ranges = told
    .filter(([, range]) => range != null)
    .map(([key, range]) =>
      t(key, { low: number(range?.[0] ?? 0), high: number(range?.[1] ?? 0) }),
    );
  const all = instrument.not_shoulders
    ? [...ranges, t("scores-not-shoulders")]
    : ranges;
  return all.length > 0 ? ` ${all.join(" ")}` : "";
}
