import { useState } from "react";
import { Always } from "./Always";
import { Facts } from "./Facts";
import { keep, refused, send, waiting, type Fact } from "./queue";
import type { Page, Sheet } from "./server";
import { Slip } from "./Slip";
import { Step } from "./Step";
import { Stop } from "./Stop";
import { doneToday, leftOut } from "./soFar";
import { Today } from "./Today";
import { t, dayWords } from "./words";

type Place =
  | { at: "today" }
  | { at: "step"; place: number }
  | { at: "stop" }
  | { at: "slip" };

/** The program behind the door: today, one exercise at a time, and what is wrong always in reach. */
export function Program({
  page,
  since,
  again,
}: {
  page: Page;
  /** The day it is from, while there is no network. */
  since: string | undefined;
  again: () => Promise<void>;
}) {
  const [where, setWhere] = useState<Place>({ at: "today" });
  // Whether the last way to the server was open: what is on its way needs no word.
  const [open, setOpen] = useState(true);
  const [, setTold] = useState(0);
  const sheet = page.sheet as unknown as Sheet | undefined;
  const exercises = sheet?.exercises ?? [];
  const waits = waiting(page.whose);
  const lost = refused(page.whose);
  const said = [...page.logged, ...waits];
  const goTo = (place: Place) => {
    setWhere(place);
    window.scrollTo(0, 0);
  };
  const tell = async (...facts: Fact[]) => {
    facts.forEach((fact) => keep(page.whose, fact));
    setTold((n) => n + 1);
    const sent = await send(page.whose);
    setOpen(sent);
    await again();
    setTold((n) => n + 1);
    return sent;
  };
  const exercise = where.at === "step" ? exercises[where.place] : undefined;
  const next = () =>
    where.at === "step" && where.place + 1 < exercises.length
      ? goTo({ at: "step", place: where.place + 1 })
      : goTo({ at: "today" });
  return (
    <>
      <main>
        {since && (
          <p className="note" id="offline">
            {t("phone-offline", { day: dayWords(since) })}
          </p>
        )}
        {waits.length > 0 && (since || !open) && (
          <p className="note" id="waits">
            {t("phone-waiting", { count: waits.length })}
          </p>
        )}
        {lost.length > 0 && (
          <p className="note" id="refused">
            {t("phone-refused", { count: lost.length })}{" "}
            {lost.map((e) => dayWords(e.on)).join(", ")}
          </p>
        )}
        {where.at === "stop" && (
          <Stop page={page} tell={tell} back={() => goTo({ at: "today" })} />
        )}
        {where.at === "slip" && (
          <Slip
            today={page.today}
            tell={tell}
            back={() => goTo({ at: "today" })}
          />
        )}
        {exercise && where.at === "step" && (
          <Step
            key={exercise.id}
            exercise={exercise}
            place={where.place}
            count={exercises.length}
            today={page.today}
            done={doneToday(said, exercise.id, page.today)}
            tell={tell}
            next={next}
            back={() => goTo({ at: "today" })}
          />
        )}
        {where.at === "today" && (
          <>
            <Today
              page={page}
              sheet={sheet}
              said={said}
              tell={tell}
              open={(place) => goTo({ at: "step", place })}
              firstOpen={exercises.findIndex(
                (e) =>
                  !leftOut(said, e.id, page.today) &&
                  doneToday(said, e.id, page.today) < e.count.times_per_day,
              )}
            />
            {sheet ? <Facts sheet={sheet} /> : <Always />}
          </>
        )}
      </main>
      {where.at !== "stop" && where.at !== "slip" && (
        <nav className="reach" aria-label={t("phone-stop")}>
          <button id="slip" onClick={() => goTo({ at: "slip" })}>
            {t("phone-slip")}
          </button>
          <button
            className="stop"
            id="stop"
            onClick={() => goTo({ at: "stop" })}
          >
            <span aria-hidden="true" className="hand" />
            {t("phone-stop")}
          </button>
        </nav>
      )}
    </>
  );
}
