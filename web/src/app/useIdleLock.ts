import { useEffect } from "react";
import { api } from "./client";

/** When anything was last done here, told to every window of this browser. */
const LAST = "ritorno-last-touch";
/** How often it is told at most, and looked at. */
const STEP_MS = 5_000;

function lastTouch(): number {
  const kept = Number(window.localStorage.getItem(LAST));
  return Number.isFinite(kept) ? kept : 0;
}

/**
 * Asks again who is there when nobody has touched anything for a while, in any window: whoever left the screen leaves
 * no open record on it. What was typed stays under the question.
 */
export function useIdleLock(minutes: number | undefined) {
  useEffect(() => {
    if (minutes === undefined) return;
    const touched = () => {
      const now = Date.now();
      if (Math.abs(now - lastTouch()) > STEP_MS)
        window.localStorage.setItem(LAST, String(now));
    };
    touched();
    const look = window.setInterval(() => {
      if (Date.now() - lastTouch() < minutes * 60_000) return;
      window.clearInterval(look);
      // Where the server is away it ends the session by itself, by its own clock.
      void api
        .DELETE("/api/session")
        .catch(() => undefined)
        .finally(() => window.dispatchEvent(new Event("ritorno-signed-out")));
    }, STEP_MS);
    const kinds = ["pointerdown", "keydown", "wheel", "touchmove"] as const;
    const options = { capture: true, passive: true };
    for (const kind of kinds) window.addEventListener(kind, touched, options);
    return () => {
      window.clearInterval(look);
      for (const kind of kinds)
        window.removeEventListener(kind, touched, options);
    };
  }, [minutes]);
}
