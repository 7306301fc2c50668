import { useEffect, useState } from "react";
import { useShortcuts } from "../../app/keys";

/** Seconds the path takes one way on the screen. */
const WAY_MS = 2_000;

const KEYS = ["motion", "motion-play"] as const;

/** Where along the path the figure stands, in percent: moved by hand, by keys, or by itself. */
export function useMotion() {
  const [at, setAt] = useState(100);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const begun = performance.now();
    const tick = (now: number) => {
      const phase = ((now - begun) / WAY_MS) % 2;
      setAt(Math.round((phase < 1 ? phase : 2 - phase) * 100));
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing]);
  const put = (next: number) => {
    setPlaying(false);
    setAt(Math.min(100, Math.max(0, next)));
  };
  useShortcuts((e) => {
    if (e.key === "ArrowRight") put(at + 2);
    else if (e.key === "ArrowLeft") put(at - 2);
    else if (e.key === " ") setPlaying((p) => !p);
    else return false;
    return true;
  }, KEYS);
  return { at, put, playing, play: () => setPlaying((p) => !p) };
}

export type Motion = ReturnType<typeof useMotion>;
