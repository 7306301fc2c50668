import type { Exercise } from "./server";

/** One step of today's session: an exercise, and which of its rounds where a circuit goes through it round by round. */
export interface Step {
  place: number;
  round: number;
  rounds: number;
}

const circles = (e: Exercise | undefined) =>
  e?.count.structure === "circuit" && e.count.sets > 1;

/**
 * The order of a session. The list itself is warm first and heavy last; exercises of a circuit that follow each other
 * are done one round each, and again from the first.
 */
export function inOrder(exercises: Exercise[]): Step[] {
  const steps: Step[] = [];
  let place = 0;
  while (place < exercises.length) {
    let end = place;
    while (end < exercises.length && circles(exercises[end])) end++;
    if (end - place < 2) {
      steps.push({ place, round: 1, rounds: 1 });
      place += 1;
      continue;
    }
    const circle = exercises.slice(place, end).map((e) => e.count.sets);
    for (let round = 1; round <= Math.max(...circle); round++)
      circle.forEach((rounds, n) => {
        if (round <= rounds) steps.push({ place: place + n, round, rounds });
      });
    place = end;
  }
  return steps;
}
