import type { Exercise } from "./server";

/** One stretch of counting: what is done meanwhile, for so many seconds, in which round and repetition. */
export interface Beat {
  says: "out" | "pause" | "back" | "hold" | "go" | "breath" | "rest";
  seconds: number;
  round: number;
  repetition: number;
}

/** What of a dose is counted here: all its rounds, or the one that a circuit is at. */
export function beatsOf(count: Exercise["count"], only?: number): Beat[] {
  const beats: Beat[] = [];
  const rounds = only === undefined ? count.sets : 1;
  for (let n = 1; n <= rounds; n++) {
    const round = only ?? n;
    const add = (says: Beat["says"], seconds: number, repetition: number) => {
      if (seconds > 0) beats.push({ says, seconds, round, repetition });
    };
    if (count.duration_s !== null) add("go", count.duration_s, 1);
    else
      for (let repetition = 1; repetition <= count.repetitions; repetition++) {
        if (count.tempo_s) {
          const [out, pause, back] = count.tempo_s;
          add("out", out, repetition);
          add("pause", pause, repetition);
          add("back", back, repetition);
        } else if (count.hold_s > 0) add("hold", count.hold_s, repetition);
        else add("go", count.repetition_s, repetition);
        const breathes = count.hold_s > 0 || count.structure === "single";
        if (breathes && repetition < count.repetitions)
          add("breath", count.breath_s, repetition);
      }
    if (n < rounds) add("rest", count.rest_s, count.repetitions);
  }
  return beats;
}
