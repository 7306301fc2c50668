import { useState } from "react";
import { Count } from "./Count";
import { Drawing } from "./Drawing";
import type { Step as At } from "./order";
import { Pain } from "./Pain";
import type { Fact } from "./queue";
import type { Exercise } from "./server";
import { Skip } from "./Skip";
import { t } from "./words";

/** One exercise at a time: how it goes, how much, and what is to be said about it. */
export function Step({
  exercise,
  step,
  of,
  today,
  easier,
  done,
  tell,
  next,
  skip,
  back,
}: {
  exercise: Exercise;
  /** Which step of the session, and of how many. */
  step: At & { number: number };
  of: number;
  today: string;
  /** Whether it is a bad day: then less of it is done. */
  easier: boolean;
  done: number;
  tell: (...facts: Fact[]) => Promise<boolean>;
  next: () => void;
  /** On to the next exercise, whatever rounds of this one are left. */
  skip: () => void;
  back: () => void;
}) {
  const [asks, setAsks] = useState(false);
  const { id } = exercise;
  const dose = easier ? exercise.easier_count : exercise.count;
  const circle = step.rounds > 1 ? step.round : undefined;
  if (asks)
    return (
      <section className="card">
        <h1>{exercise.name}</h1>
        <h2>{t("phone-pain-ask")}</h2>
        <Pain
          name="pain"
          chosen={(value) => {
            void tell(
              {
                on: today,
                kind: "done",
                exercise: id,
                sessions: Math.min(done + 1, dose.times_per_day),
                repetitions: dose.repetitions,
              },
              { on: today, kind: "pain_during", exercise: id, value },
            );
            next();
          }}
        />
      </section>
    );
  return (
    <article id={`step-${id}`}>
      <button className="back" onClick={back} id="back">
        {t("phone-back")}
      </button>
      <p className="soft">
        {t("phone-of", { place: step.number, count: of })}
        {circle &&
          ` · ${t("phone-round", { round: step.round, rounds: step.rounds })}`}
      </p>
      <h1>{exercise.name}</h1>
      <Drawing exercise={exercise} />
      <p className="arm">{exercise.arm}</p>
      {easier ? (
        <p className="dose" id="easier">
          {exercise.easier}
        </p>
      ) : (
        <p className="dose">{exercise.dose}</p>
      )}
      {exercise.limit !== "" && <p className="limit">{exercise.limit}</p>}
      <p>{exercise.start}</p>
      <p>{exercise.how}</p>
      {exercise.cues !== "" && <p>{exercise.cues}</p>}
      {exercise.watch !== "" && <p>{exercise.watch}</p>}
      <p className="soft">{exercise.task}</p>
      <Count key={`${step.number}`} count={dose} only={circle} />
      <button
        className="main"
        id="done"
        // In a circuit an exercise is told once, after its last round.
        onClick={() => (step.round < step.rounds ? next() : setAsks(true))}
      >
        {t(step.round < step.rounds ? "phone-round-done" : "phone-done")}
      </button>
      <Skip
        exercise={id}
        today={today}
        told={(fact) => {
          void tell(fact);
          skip();
        }}
      />
    </article>
  );
}
