import { useEffect, useMemo, useState } from "react";
import { beatsOf } from "./beats";
import type { Exercise } from "./server";
import { beQuiet, isQuiet, sound } from "./sound";
import { t } from "./words";

/** Counts an exercise along: each way at its tempo, each hold, each rest, with a tone at every change. */
export function Count({
  count,
  only,
}: {
  count: Exercise["count"];
  /** The round of a circuit, where only that one is counted. */
  only: number | undefined;
}) {
  const beats = useMemo(() => beatsOf(count, only), [count, only]);
  // Which stretch runs, and when it ends by this telephone's clock.
  const [at, setAt] = useState<{ beat: number; ends: number }>();
  // Paused: what is left of the stretch, in milliseconds.
  const [held, setHeld] = useState<number>();
  const [left, setLeft] = useState(0);
  const [quiet, setQuiet] = useState(isQuiet);
  useEffect(() => {
    if (!at || held !== undefined) return;
    const tick = window.setInterval(() => {
      const still = at.ends - Date.now();
      setLeft(Math.max(0, Math.ceil(still / 1000)));
      if (still > 0) return;
      const next = beats[at.beat + 1];
      sound(next === undefined);
      setAt(
        next && {
          beat: at.beat + 1,
          ends: Date.now() + next.seconds * 1000,
        },
      );
    }, 100);
    return () => window.clearInterval(tick);
  }, [at, held, beats]);
  const runs = at !== undefined;
  // The screen stays lit while it counts, where the telephone lets it.
  useEffect(() => {
    if (!runs || !("wakeLock" in navigator)) return;
    const lit = navigator.wakeLock.request("screen").catch(() => undefined);
    return () => void lit.then((lock) => lock?.release());
  }, [runs]);
  const first = beats[0];
  if (!first) return null;
  const begin = () => {
    sound(false);
    setHeld(undefined);
    setLeft(first.seconds);
    setAt({ beat: 0, ends: Date.now() + first.seconds * 1000 });
  };
  const now = at && beats[at.beat];
  return (
    <div className="guide" id="guide">
      {now ? (
        <>
          <p className="beat" role="timer">
            <strong>{left}</strong>
            <span>{t(`phone-beat-${now.says}`)}</span>
          </p>
          <p className="soft">
            {now.says === "rest"
              ? t("phone-beat-next", { round: now.round + 1 })
              : t("phone-beat-at", {
                  repetition: now.repetition,
                  repetitions:
                    count.duration_s === null ? count.repetitions : 1,
                  round: now.round,
                  rounds: count.sets,
                })}
          </p>
          <div className="counts">
            <button
              id="guide-hold"
              onClick={() => {
                if (held === undefined) setHeld(at.ends - Date.now());
                else {
                  setAt({ ...at, ends: Date.now() + held });
                  setHeld(undefined);
                }
              }}
            >
              {t(held === undefined ? "phone-beat-wait" : "phone-beat-on")}
            </button>
            <button id="guide-end" onClick={() => setAt(undefined)}>
              {t("phone-beat-end")}
            </button>
          </div>
        </>
      ) : (
        <div className="counts">
          <button id="guide-start" onClick={begin}>
            {t("phone-count-along")}
          </button>
          <button
            id="quiet"
            aria-pressed={!quiet}
            onClick={() => {
              beQuiet(!quiet);
              setQuiet(!quiet);
            }}
          >
            {t(quiet ? "phone-quiet" : "phone-sound")}
          </button>
        </div>
      )}
    </div>
  );
}
