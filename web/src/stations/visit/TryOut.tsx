import { useState } from "react";
import { newId } from "../../app/client";
import { nameOf, t } from "../../app/wording";
import type { Post } from "./post";

const WENT = ["clean", "faults", "pain", "too_hard"] as const;

/** Five repetitions of each new exercise in the room, one tap: nothing new goes home untried. */
export function TryOut({
  exercises,
  today,
  post,
}: {
  exercises: string[];
  today: string;
  post: Post;
}) {
  const [went, setWent] = useState<Record<string, string>>({});
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
      {exercises.map((e) => (
        <div className="flag-row" key={e} data-exercise={e}>
          <span>
            {nameOf("exercise", e)}{" "}
            {went[e] === "pain" || went[e] === "too_hard" ? (
              <b className="small">{t("tryout-change")}</b>
            ) : null}
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
