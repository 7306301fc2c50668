import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useCallback, useEffect, useMemo, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { send } from "../app/queue";
import { clock, nameOf, sentence, shortDate, t } from "../app/wording";
import { ScoreLine } from "../pictures/ScoreLine";
import { ExamineTabs } from "./Examine";

type Page = Schemas["OutcomePage"];
type View = Schemas["InstrumentView"];
type Part = Schemas["ScorePart"];
/** A number, left out on purpose, or not reached yet. */
type Answer = number | null | undefined;

const number = (value: number) =>
  String(Math.round(value * 10) / 10).replace("-", "−");
const cellsOf = (view: View | undefined): Part[] =>
  view?.instrument.parts.flatMap((part) =>
    Array.from({ length: part.items }, () => part),
  ) ?? [];
/** One key answers where the item has few answers; else the number is typed out. */
const byOneKey = (part: Part) => part.max <= 10 && part.min >= 0 && !part.unit;

/** A sheet of ticks becomes the published number, or the reason why there is none. */
export function Scores({ episode, today }: { episode: string; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: ["outcomes", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/outcomes", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [chosen, setChosen] = useState<string>();
  const [sheets, setSheets] = useState<Record<string, Answer[]>>({});
  const [cell, setCell] = useState(0);
  const [typed, setTyped] = useState("");
  const [kept, setKept] = useState<{ id: string; instrument: string }[]>([]);
  const [error, setError] = useState<unknown>();
  const views = useMemo(() => page.data?.instruments ?? [], [page.data]);
  const view =
    views.find((v) => v.instrument.id === chosen) ??
    views.find((v) => v.sheets.length > 0) ??
    views[0];
  const id = view?.instrument.id ?? "";
  const cells = useMemo(() => cellsOf(view), [view]);
  const answers = useMemo(() => sheets[id] ?? [], [sheets, id]);
  const part = cells[cell];
  const barred = view?.barred ?? [];

  const choose = useCallback((next: string | undefined) => {
    setChosen(next);
    setCell(0);
    setTyped("");
    setError(undefined);
  }, []);
  const put = useCallback(
    (value: Answer, step = 1) => {
      setSheets((all) => {
        const own = [...(all[id] ?? [])];
        own[cell] = value;
        return { ...all, [id]: own };
      });
      setTyped("");
      setCell((now) => Math.min(cells.length, Math.max(0, now + step)));
    },
    [id, cell, cells.length],
  );
  const keep = useCallback(async () => {
    if (!view || barred.length > 0) return;
    const sheet = {
      id: newId(),
      instrument: id,
      answers: cells.map((_, i) => answers[i] ?? null),
      on: today,
    };
    setError(undefined);
    try {
      const answer = (await send(
        `/api/episodes/${episode}/outcomes`,
        sheet,
      )) as Page | undefined;
      if (answer) queries.setQueryData(["outcomes", episode], answer);
      void queries.invalidateQueries({ queryKey: ["comparison"] });
      setKept((all) => [{ id: sheet.id, instrument: id }, ...all]);
      setSheets((all) => ({ ...all, [id]: [] }));
      setCell(0);
    } catch (failure) {
      setError(failure);
    }
  }, [view, barred.length, id, cells, answers, today, episode, queries]);
  const undo = useCallback(async () => {
    const last = kept[0];
    if (!last) return;
    try {
      await send(`/api/episodes/${episode}/withdrawals`, {
        entry: last.id,
        kind: "outcome_sheet",
        reason: "undo",
      });
      void queries.invalidateQueries({ queryKey: ["outcomes", episode] });
      setKept((all) => all.slice(1));
    } catch (failure) {
      setError(failure);
    }
  }, [kept, episode, queries]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const field =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (field || e.ctrlKey || e.metaKey || e.altKey || !view) return;
      const digit = /^[0-9]$/.test(e.key);
      if (part && byOneKey(part) && (digit || e.key === "t")) {
        const value = e.key === "t" ? 10 : Number(e.key);
        if (value >= part.min && value <= part.max) put(value);
      } else if (part && (digit || (e.key === "," && typed !== "")))
        setTyped((now) => (now.length < 5 ? now + (digit ? e.key : ".") : now));
      else if (part && e.key === "-" && part.min < 0)
        setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
      else if (part && e.key === ".") put(null);
      else if (e.key === "Backspace") {
        if (typed !== "") setTyped((now) => now.slice(0, -1));
        else setCell((now) => Math.max(0, now - 1));
      } else if (e.key === "Enter" && typed !== "" && typed !== "-")
        put(Number(typed));
      else if (e.key === "Enter" && cell >= cells.length) void keep();
      else if (e.key === "ArrowRight")
        setCell((now) => Math.min(cells.length, now + 1));
      else if (e.key === "ArrowLeft") setCell((now) => Math.max(0, now - 1));
      else if (e.key === "ArrowDown" || e.key === "ArrowUp")
        choose(
          views[
            (views.indexOf(view) +
              (e.key === "ArrowDown" ? 1 : views.length - 1)) %
              views.length
          ]?.instrument.id,
        );
      else if (e.key === "u") void undo();
      else return;
      if (!(
        e.key === "Enter" &&
        e.target instanceof HTMLButtonElement &&
        typed === "" &&
        cell < cells.length
      ))
        e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [view, views, part, typed, cell, cells.length, put, keep, undo, choose]);

  if (!page.data || !view) return <Pending query={page} />;
  const given = answers.filter((a) => a !== undefined && a !== null).length;
  const last = view.sheets.at(-1);
  let place = 0;
  return (
    <div id="scores">
      <div className="page-head">
        <h1>{t("scores-title")}</h1>
        <span className="soft num">{clock(page.data.clock)}</span>
        <ExamineTabs episode={episode} at="scores" />
      </div>
      <ProblemNote error={error} />
      <div className="scores">
        <ol className="score-list">
          {views.map((v) => {
            const value = v.sheets.at(-1)?.scored?.value;
            return (
              <li key={v.instrument.id}>
                <button
                  aria-current={v === view}
                  onClick={() => choose(v.instrument.id)}
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
                ({view.instrument.change_source})
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
            <div className="notice stop">
              <b>{t("examine-barred")}</b>
              <ul>
                {barred.map((r) => (
                  <li key={sentence(r)}>{sentence(r)}</li>
                ))}
              </ul>
            </div>
          ) : (
            <>
              <p className="soft small flush above-14 below-6">
                {t("scores-sheet")}{" "}
                <span>
                  {t(
                    part && !byOneKey(part)
                      ? "scores-how-number"
                      : "scores-how",
                  )}
                </span>
              </p>
              {view.instrument.parts.map((p, i) => {
                const from = place;
                place += p.items;
                return (
                  <div className="score-part" key={p.id}>
                    <span className="name">
                      {nameOf("part", p.id)}{" "}
                      <span className="soft small">
                        {number(p.min)}–{number(p.max)}
                        {p.unit ? ` ${nameOf("unit", p.unit)}` : ""}
                        {view.instrument.parts.length > 1 || i === 0
                          ? `, ${t("scores-may-miss", { n: p.may_miss ?? 0 })}`
                          : ""}
                      </span>
                    </span>
                    <span className="cells">
                      {Array.from({ length: p.items }, (_, k) => from + k).map(
                        (at) => {
                          const answer = answers[at];
                          return (
                            <button
                              key={at}
                              className={`cell${answer === null ? " out" : ""}`}
                              aria-current={at === cell}
                              aria-label={t("scores-item", { n: at + 1 })}
                              onClick={() => {
                                setCell(at);
                                setTyped("");
                              }}
                            >
                              {at === cell && typed !== ""
                                ? typed
                                : answer === null
                                  ? "×"
                                  : (answer ?? (
                                      <span className="no">{at + 1}</span>
                                    ))}
                            </button>
                          );
                        },
                      )}
                    </span>
                  </div>
                );
              })}
              <div
                className="pains"
                role="group"
                aria-label={t("scores-item", { n: cell + 1 })}
              >
                {part &&
                  byOneKey(part) &&
                  Array.from(
                    { length: part.max - part.min + 1 },
                    (_, i) => part.min + i,
                  ).map((value) => (
                    <button key={value} onClick={() => put(value)}>
                      {value}
                    </button>
                  ))}
                {part && !byOneKey(part) && (
                  <button
                    className="w-96"
                    disabled={typed === ""}
                    onClick={() => put(Number(typed))}
                  >
                    {typed === "" ? "–" : typed} <kbd>Enter</kbd>
                  </button>
                )}
                {part && (
                  <button onClick={() => put(null)}>
                    × <kbd>.</kbd>
                  </button>
                )}
              </div>
              <p className="row flush above-12">
                <Button
                  type="primary"
                  disabled={given === 0}
                  onClick={() => void keep()}
                >
                  {t("scores-keep")} <kbd>Enter</kbd>
                </Button>
                <span className="num soft">
                  {t("scores-answered", { given, items: cells.length })}
                </span>
                {answers.length > 0 && (
                  <button
                    className="plain"
                    onClick={() => {
                      setSheets((all) => ({ ...all, [id]: [] }));
                      setCell(0);
                    }}
                  >
                    {t("scores-clear")}
                  </button>
                )}
                {kept.length > 0 && (
                  <button className="plain" onClick={() => void undo()}>
                    <kbd>u</kbd> {t("undo")}
                  </button>
                )}
              </p>
            </>
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
      </div>
    </div>
  );
}
