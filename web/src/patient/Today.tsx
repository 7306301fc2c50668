import { Pain } from "./Pain";
import type { Fact } from "./queue";
import {
  drawingOf,
  type Exercise,
  type Page,
  type Sheet,
  type Told,
} from "./server";
import { doneToday, leftOut, saidOf } from "./soFar";
import { dayWords, t } from "./words";

/** Today at a glance: what is to be done, how far it is done. */
export function Today({
  page,
  sheet,
  exercises,
  rests,
  said,
  tell,
  open,
  write,
  firstOpen,
}: {
  page: Page;
  sheet: Sheet | undefined;
  /** What is done today. */
  exercises: Exercise[];
  /** What has a day of rest. */
  rests: Exercise[];
  said: Told[];
  tell: (...facts: Fact[]) => Promise<boolean>;
  open: (place: number) => void;
  write: () => void;
  /** Where in the list to go on; -1 when all is done. */
  firstOpen: number;
}) {
  const { today } = page;
  const begun = exercises.some((e) => doneToday(said, e.id, today) > 0);
  const morning = !saidOf(said, "pain_next_morning", today);
  const badDay = saidOf(said, "flare_day", today);
  return (
    <>
      <header>
        <p className="soft">{dayWords(today)}</p>
        <h1>{t("phone-hello", { name: page.name })}</h1>
        {sheet && <p>{sheet.clock}</p>}
      </header>
      {page.holds !== "no" && (
        <section className="paused" id="paused" role="status">
          <h2>{t("phone-paused")}</h2>
          <p>{t(`phone-paused-${page.holds}`)}</p>
        </section>
      )}
      {page.next && (
        <p className="note">
          {t("phone-next", {
            day: dayWords(page.next.day),
            time: page.next.time.slice(0, 5),
          })}
        </p>
      )}
      {page.exercised_yesterday && morning && (
        <section className="card" id="morning">
          <h2>{t("phone-morning-ask")}</h2>
          <Pain
            name="morning-pain"
            chosen={(value) =>
              void tell({ on: today, kind: "pain_next_morning", value })
            }
          />
        </section>
      )}
      {page.exercised_yesterday && !morning && (
        <p className="soft">{t("phone-morning-thanks")}</p>
      )}
      {exercises.length > 0 && (
        <section>
          <h2>{t("phone-today")}</h2>
          {sheet?.hours && <p className="soft">{sheet.hours}</p>}
          <ol className="list">
            {exercises.map((exercise, place) => {
              const times = doneToday(said, exercise.id, today);
              const full = times >= exercise.count.times_per_day;
              return (
                <li key={exercise.id}>
                  <button
                    className={full ? "row full" : "row"}
                    onClick={() => open(place)}
                    id={`open-${exercise.id}`}
                  >
                    <img
                      src={drawingOf(exercise.id)}
                      alt=""
                      width="72"
                      height="72"
                    />
                    <span>
                      <strong>{exercise.name}</strong>
                      <span className="soft">
                        {leftOut(said, exercise.id, today) && times === 0
                          ? t("phone-skipped")
                          : t("phone-done-times", { times })}
                      </span>
                    </span>
                    <span
                      className={full ? "tick on" : "tick"}
                      aria-hidden="true"
                    />
                  </button>
                </li>
              );
            })}
          </ol>
          {firstOpen >= 0 ? (
            <>
              <button
                className="main"
                id="start"
                onClick={() => open(firstOpen)}
              >
                {t(begun ? "phone-go-on" : "phone-start")}
              </button>
              <button
                className="plain"
                id="all-planned"
                onClick={() =>
                  void tell(
                    ...exercises.map((e) => {
                      const dose = badDay ? e.easier_count : e.count;
                      return {
                        on: today,
                        kind: "done" as const,
                        exercise: e.id,
                        sessions: dose.times_per_day,
                        repetitions: dose.repetitions,
                      };
                    }),
                  )
                }
              >
                {t("phone-all-planned")}
              </button>
            </>
          ) : (
            <p className="good" id="all-done">
              {t("phone-all-done")}
            </p>
          )}
          {badDay ? (
            <p className="note" id="bad-day-told">
              {t("phone-bad-day-told")}
            </p>
          ) : (
            <button
              className="plain"
              id="bad-day"
              onClick={() => void tell({ on: today, kind: "flare_day" })}
            >
              {t("phone-bad-day")}
            </button>
          )}
        </section>
      )}
      {exercises.length === 0 && page.holds === "no" && (
        <p>{t("phone-none-today")}</p>
      )}
      {rests.length > 0 && (
        <p className="soft" id="rests">
          {t("phone-rests")} {rests.map((e) => e.name).join(", ")}
        </p>
      )}
      <button className="plain" id="to-write" onClick={write}>
        {t("phone-write")}
      </button>
      {sheet && sheet.waits !== "" && (
        <p className="soft">
          {sheet.waits_title}: {sheet.waits}
        </p>
      )}
    </>
  );
}
