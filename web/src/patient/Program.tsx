import { useState } from "react";
import { Always } from "./Always";
import { Asked } from "./Asked";
import { Facts } from "./Facts";
import { inOrder, onDay } from "./order";
import { asked, keep, refused, send, waiting, type Fact } from "./queue";
import { PREVIEW, type Page, type Sheet } from "./server";
import { Slip } from "./Slip";
import { Step } from "./Step";
import { Stop } from "./Stop";
import { doneToday, leftOut, saidOf } from "./soFar";
import { Today } from "./Today";
import { Write } from "./Write";
import { t, dayWords } from "./words";

type Place =
  | { at: "today" }
  | { at: "step"; place: number }
  | { at: "stop" }
  | { at: "slip" }
  | { at: "write" };

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
  const [wanted, setWhere] = useState<Place>({ at: "today" });
  // Whether the last way to the server was open: what is on its way needs no word.
  const [open, setOpen] = useState(true);
  const [, setTold] = useState(0);
  const sheet = page.sheet as unknown as Sheet | undefined;
  const { due: exercises, rests } = onDay(sheet?.exercises ?? [], page.today);
  const waits = waiting(page.whose);
  const lost = refused(page.whose);
  const said = [...page.logged, ...waits];
  const goTo = (place: Place) => {
    setWhere(place);
    window.scrollTo(0, 0);
  };
  const tell = async (...facts: Fact[]) => {
    // The clinic looks: what is tapped changes nothing.
    if (PREVIEW) return true;
    facts.forEach((fact) => keep(page.whose, fact));
    setTold((n) => n + 1);
    const sent = await send(page.whose);
    setOpen(sent);
    await again();
    setTold((n) => n + 1);
    return sent;
  };
  const easier = saidOf(said, "flare_day", page.today);
  const steps = inOrder(exercises);
  const step = wanted.at === "step" ? steps[wanted.place] : undefined;
  const exercise = step && exercises[step.place];
  // Over midnight an exercise may come to rest while it is open.
  const where: Place =
    wanted.at === "step" && !exercise ? { at: "today" } : wanted;
  const asks = asked(page.whose);
  /** On to the first step from here that `fits`, else back to the list. */
  const onward = (fits: (place: number) => boolean) => {
    const at = where.at === "step" ? where.place : -1;
    const found = steps.findIndex((s, n) => n > at && fits(s.place));
    goTo(found < 0 ? { at: "today" } : { at: "step", place: found });
  };
  const begin = (place: number) =>
    goTo({ at: "step", place: steps.findIndex((s) => s.place === place) });
  // Before anything else: it may not be able to wait.
  if (asks.length > 0)
    return (
      <main>
        <Asked
          whose={page.whose}
          asks={asks}
          seen={() => setTold((n) => n + 1)}
        />
      </main>
    );
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
        {where.at === "write" && (
          <Write
            page={page}
            waits={waits.filter((e) => e.kind === "message")}
            lost={lost.filter((e) => e.kind === "message")}
            tell={tell}
            back={() => goTo({ at: "today" })}
          />
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
        {exercise && step && where.at === "step" && (
          <Step
            key={where.place}
            exercise={exercise}
            step={{ ...step, number: where.place + 1 }}
            of={steps.length}
            today={page.today}
            easier={easier}
            done={doneToday(said, exercise.id, page.today)}
            tell={tell}
            next={() => onward(() => true)}
            // What is left out today is left out of every round.
            skip={() => onward((place) => place !== step.place)}
            back={() => goTo({ at: "today" })}
          />
        )}
        {where.at === "today" && (
          <>
            <Today
              page={page}
              sheet={sheet}
              exercises={exercises}
              rests={rests}
              said={said}
              tell={tell}
              open={begin}
              write={() => goTo({ at: "write" })}
              firstOpen={exercises.findIndex(
                (e) =>
                  !leftOut(said, e.id, page.today) &&
                  doneToday(said, e.id, page.today) < e.count.times_per_day,
              )}
            />
            {sheet ? (
              <Facts sheet={sheet} reminders={page.reminders} />
            ) : (
              <Always />
            )}
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
