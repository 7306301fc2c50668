import { DateInput } from "../../app/DateInput";
import { useState } from "react";
import { StopList } from "./StopList";
import { newId, type Schemas } from "../../app/client";
import { doseInShort } from "../../app/dose";
import { Ten } from "../../app/parts";
import { Remark } from "../../app/Remark";
import { nameOf, shortDate, t } from "../../app/wording";
import type { Post } from "./post";
import { Diary } from "./Diary";

type Page = Schemas["VisitPage"];
const PAINS = ["pain_before", "pain_during", "pain_next_morning", "effort"];
const WORSE = ["stays_out", "new_direction", "numb", "more_often"] as const;

/** What was tapped for the chosen day, so that the page shows it at once. */
interface Tapped {
  done: Record<string, string>;
  pain: Record<string, number>;
  slip: boolean;
  worse: string;
  flare: boolean;
}
const NOTHING: Tapped = {
  done: {},
  pain: {},
  slip: false,
  worse: "",
  flare: false,
};

type Enter = (
  exercise: string | null,
  fact: { kind: string } & Record<string, unknown>,
  says: string,
) => Promise<boolean>;

/** A day at home, entered in the room: what was done, pain, slips. */
export function Log({
  episode,
  page,
  post,
  onAsked,
  onError,
}: {
  episode: string;
  onAsked: () => void;
  onError: (e: unknown) => void;
  page: Page;
  post: Post;
}) {
  const [on, setOn] = useState(page.today);
  const [tapped, setTapped] = useState<Tapped>(NOTHING);
  const [remark, setRemark] = useState("");
  const tap = (part: Partial<Tapped>) =>
    setTapped((now) => ({ ...now, ...part }));
  const enter: Enter = (exercise, fact, says) =>
    post(
      {
        kind: "log",
        // Words go with the tap that follows them, and are screened like every text.
        body: { id: newId(), on, exercise, remark, ...fact },
        says: `${shortDate(on)}: ${says}`,
      },
      `log-${on}-${exercise ?? ""}-${JSON.stringify(fact)}`,
    ).then((ok) => {
      if (ok) setRemark("");
      return ok;
    });
  return (
    <section className="block" id="log">
      <h2>
        {t("log-title")} <span className="soft small">{t("log-lead")}</span>
      </h2>
      <div className="two">
        <div className="sheet">
          <label className="field w-190 below-10">
            {t("log-day")}
            <DateInput
              id="log-day"
              required
              latest={page.today}
              value={on}
              onChange={(day) => {
                setOn(day);
                setTapped(NOTHING);
              }}
            />
          </label>
          <Remark
            id="log-remark"
            className="below-10"
            label={t("log-remark")}
            value={remark}
            onChange={setRemark}
          />
          {page.lines.length === 0 && (
            <p className="soft above-8">{t("log-no-lines")}</p>
          )}
          <Done
            lines={page.lines}
            done={tapped.done}
            enter={enter}
            onTap={(exercise, what) =>
              setTapped((now) => ({
                ...now,
                done: { ...now.done, [exercise]: what },
              }))
            }
          />
          <Felt
            episode={episode}
            flags={page.view.flags}
            onAsked={onAsked}
            onError={onError}
            tapped={tapped}
            tap={tap}
            enter={enter}
          />
        </div>
        <Diary log={page.view.log} span={page.view.log_days} post={post} />
      </div>
    </section>
  );
}

/** Sessions of each exercise: one tap. */
function Done({
  lines,
  done,
  enter,
  onTap,
}: {
  lines: Schemas["Line"][];
  done: Record<string, string>;
  enter: Enter;
  onTap: (exercise: string, what: string) => void;
}) {
  return (
    <table className="log">
      <tbody>
        {lines.map((l) => {
          const name = nameOf("exercise", l.exercise);
          const sessions = Array.from(
            { length: l.dose.times_per_day },
            (_, i) => i + 1,
          );
          const did = (n: number) =>
            enter(
              l.exercise,
              { kind: "done", sessions: n, repetitions: l.dose.repetitions },
              `${name}: ${n}×`,
            ).then((ok) => ok && onTap(l.exercise, String(n)));
          const leftOut = () =>
            enter(
              l.exercise,
              { kind: "left_out" },
              `${name}: ${t("log-left-out")}`,
            ).then((ok) => ok && onTap(l.exercise, "out"));
          return (
            <tr key={l.id}>
              <td>
                {name}{" "}
                <span className="soft small num nowrap">
                  {doseInShort(l.dose)}, {l.dose.times_per_day}/{t("day")}
                </span>
              </td>
              <td className="to-right nowrap">
                {sessions.map((n) => (
                  <button
                    key={n}
                    className="yn num compact"
                    aria-pressed={done[l.exercise] === String(n)}
                    aria-label={`${name}: ${n}`}
                    onClick={() => void did(n)}
                  >
                    {n}×
                  </button>
                ))}{" "}
                <button
                  className="yn compact"
                  aria-pressed={done[l.exercise] === "out"}
                  onClick={() => void leftOut()}
                >
                  {t("log-left-out")}
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** How it felt: pain, effort, a slip and how it was worse, a bad day. */
function Felt({
  episode,
  flags,
  tapped,
  tap,
  enter,
  onAsked,
  onError,
}: {
  episode: string;
  flags: Schemas["FlagView"][];
  onAsked: () => void;
  onError: (e: unknown) => void;
  tapped: Tapped;
  tap: (part: Partial<Tapped>) => void;
  enter: Enter;
}) {
  const [asking, setAsking] = useState(false);
  const say = (
    fact: { kind: string } & Record<string, unknown>,
    says: string,
    part: Partial<Tapped>,
  ) => void enter(null, fact, says).then((ok) => ok && tap(part));
  return (
    <table className="log">
      <tbody>
        {PAINS.map((kind) => (
          <tr key={kind}>
            <td>{t(`log-${kind}`)}</td>
            <td className="to-right">
              <Ten
                label={t(`log-${kind}`)}
                picked={tapped.pain[kind]}
                onPick={(value) =>
                  say({ kind, value }, `${t(`log-${kind}`)} ${value}`, {
                    pain: { ...tapped.pain, [kind]: value },
                  })
                }
              />
            </td>
          </tr>
        ))}
        <tr>
          <td>{t("log-slip-ask")}</td>
          <td className="to-right">
            <button
              className="yn yes"
              id="log-slip"
              aria-pressed={tapped.slip}
              onClick={() =>
                say({ kind: "slip" }, t("log-slip"), { slip: true })
              }
            >
              {t("log-slip")}
            </button>
          </td>
        </tr>
        {tapped.slip && (
          <tr>
            <td>{t("log-slip-how")}</td>
            <td className="to-right">
              {WORSE.map((how) => (
                <button
                  key={how}
                  className="yn yes compact"
                  aria-pressed={tapped.worse === how}
                  onClick={() =>
                    say({ kind: "slip_worse", how }, nameOf("how", how), {
                      worse: how,
                    })
                  }
                >
                  {nameOf("how", how)}
                </button>
              ))}
            </td>
          </tr>
        )}
        <tr>
          <td>{t("log-flare-ask")}</td>
          <td className="to-right">
            <button
              className="yn"
              id="log-flare"
              aria-pressed={tapped.flare}
              aria-expanded={asking}
              onClick={() => setAsking(!asking)}
            >
              {t("log-flare")}
            </button>
          </td>
        </tr>
        {asking && !tapped.flare && (
          <tr>
            <td colSpan={2} id="flare-asks">
              <StopList
                episode={episode}
                id="flare-none"
                title={t("flare-stop-list")}
                button={t("flare-none")}
                flags={flags}
                onNone={() => {
                  setAsking(false);
                  say({ kind: "flare_day" }, t("log-flare"), { flare: true });
                }}
                onKept={onAsked}
                onError={onError}
              />
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
