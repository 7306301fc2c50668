import { useState } from "react";
import { Count } from "./Count";
import { Pain } from "./Pain";
import type { Fact } from "./queue";
import type { Exercise } from "./server";
import { t } from "./words";

/** One exercise at a time: how it goes, how much, and what is to be said about it. */
export function Step({
  exercise,
  place,
  count,
  today,
  done,
  tell,
  next,
  back,
}: {
  exercise: Exercise;
  place: number;
  count: number;
  today: string;
  done: number;
  tell: (...facts: Fact[]) => Promise<boolean>;
  next: () => void;
  back: () => void;
}) {
  const [asks, setAsks] = useState(false);
  const { count: dose, id } = exercise;
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
      <p className="soft">{t("phone-of", { place: place + 1, count })}</p>
      <h1>{exercise.name}</h1>
      <img
        className="figure"
        src={`/api/home/figures/${id}`}
        alt={exercise.alt}
      />
      <p className="arm">{exercise.arm}</p>
      <p className="dose">{exercise.dose}</p>
      {exercise.limit !== "" && <p className="limit">{exercise.limit}</p>}
      <p>{exercise.start}</p>
      <p>{exercise.how}</p>
      {exercise.cues !== "" && <p>{exercise.cues}</p>}
      {exercise.watch !== "" && <p>{exercise.watch}</p>}
      <p className="soft">{exercise.task}</p>
      <div className="counts">
        {dose.hold_s > 0 && <Count seconds={dose.hold_s} says="hold" />}
        {dose.duration_s !== null && (
          <Count seconds={dose.duration_s} says="hold" />
        )}
        {dose.sets > 1 && dose.rest_s > 0 && (
          <Count seconds={dose.rest_s} says="rest" />
        )}
      </div>
      <button className="main" id="done" onClick={() => setAsks(true)}>
        {t("phone-done")}
      </button>
      <button
        className="plain"
        id="skip"
        onClick={() => {
          void tell({ on: today, kind: "left_out", exercise: id });
          next();
        }}
      >
        {t("phone-skip")}
      </button>
    </article>
  );
}
