import { useState } from "react";
import { newId, type Schemas } from "../../app/client";
import { Ten } from "../../app/parts";
import { useSpoken } from "../../app/spoken";
import { capital, nameOf, t } from "../../app/wording";
import type { Post } from "./post";

const WENT = [
  "clean",
  "eases",
  "faults",
  "elsewhere",
  "pain",
  "too_hard",
] as const;
/** What is said at once: kept, changed or done once more before it goes home. */
const AGAIN: Record<string, string> = {
  eases: "tryout-keep",
  pain: "tryout-change",
  too_hard: "tryout-change",
  elsewhere: "tryout-reset",
};

/** Five repetitions of each new exercise in the room, one tap: nothing new goes home untried. */
export function TryOut({
  exercises,
  retest,
  today,
  post,
}: {
  exercises: string[];
  retest?: Schemas["RetestView"] | null | undefined;
  today: string;
  post: Post;
}) {
  const [went, setWent] = useState<Record<string, string>>({});
  const [sure, setSure] = useState<number>();
  const { exercise } = useSpoken();
  const tap = async (exercise: string, word: (typeof WENT)[number]) => {
    if (
      await post(
        {
          kind: "exam_note",
          body: {
            id: newId(),
            on: today,
            kind: "try_out",
            exercise,
            went: word,
          },
          says: `${nameOf("exercise", exercise)}: ${nameOf("tryout", word)}`,
        },
        `tryout-${exercise}`,
      )
    )
      setWent((now) => ({ ...now, [exercise]: word }));
  };
  return (
    <section className="block" id="try-out">
      <h2>
        {t("tryout-title")}{" "}
        <span className="soft small">{t("tryout-lead")}</span>
      </h2>
      <div className="flag-row">
        <span className="small">{t("tryout-confidence")}</span>
        <Ten
          label={t("tryout-confidence")}
          max={10}
          picked={sure}
          onPick={(value) =>
            void post(
              {
                kind: "score",
                body: { id: newId(), score: "confidence", value, on: today },
                says: `${capital(nameOf("score", "confidence"))}: ${value}`,
              },
              `confidence ${value}`,
            ).then((ok) => ok && setSure(value))
          }
        />
      </div>
      {retest && <Retest view={retest} today={today} post={post} />}
      {exercises.map((e) => (
        <div className="flag-row" key={e} data-exercise={e}>
          <span>
            {nameOf("exercise", e)}{" "}
            {AGAIN[went[e] ?? ""] && (
              <b className="small">{t(AGAIN[went[e] ?? ""] ?? "")}</b>
            )}
            {went[e] === "elsewhere" && (
              <span className="small soft"> {exercise(e, "start")}</span>
            )}
          </span>
          <span
            className="answers"
            role="group"
            aria-label={nameOf("exercise", e)}
          >
            {WENT.map((w) => (
              <button
                key={w}
                className="yn"
                aria-pressed={went[e] === w}
                onClick={() => void tap(e, w)}
              >
                {nameOf("tryout", w)}
              </button>
            ))}
          </span>
        </div>
      ))}
    </section>
  );
}

/** The painful movement before and after the first set: two taps, kept as one entry. */
function Retest({
  view,
  today,
  post,
}: {
  view: Schemas["RetestView"];
  today: string;
  post: Post;
}) {
  const [before, setBefore] = useState<number>();
  const sign = view.sign ? nameOf("test", view.sign) : t("retest-own");
  const keep = (after: number) => {
    if (before == null) return;
    const dose = t("retest-dose");
    void post(
      {
        kind: "exam_note",
        body: {
          id: newId(),
          on: today,
          kind: "response",
          sign,
          dose,
          before,
          after,
        },
        says: `${sign}: ${before} → ${after}`,
      },
      `retest ${before} ${after}`,
    ).then((ok) => ok && setBefore(undefined));
  };
  return (
    <div className="retest" id="retest">
      {view.today.map((r) => (
        <p key={`${r.sign}${r.before}${r.after}`} className="small flush">
          {r.sign}:{" "}
          <b className="num">
            {r.before} → {r.after}
          </b>{" "}
          <b>{nameOf("found", r.word)}</b>
        </p>
      ))}
      <div className="flag-row">
        <span className="small">{t("retest-before", { sign })}</span>
        <Ten
          label={t("retest-before", { sign })}
          max={10}
          picked={before}
          onPick={setBefore}
        />
      </div>
      {before != null && (
        <div className="flag-row">
          <span className="small">{t("retest-after")}</span>
          <Ten label={t("retest-after")} max={10} onPick={keep} />
        </div>
      )}
    </div>
  );
}
