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

/** Which exercises are done on a civil date, and which rest on it. */
export function onDay(exercises: Exercise[], date: string) {
  // Sunday is the first day of a week here, and the last one on the sheet.
  const weekday = (new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7;
  // A page that was kept before days were told knows of none.
  const due = (e: Exercise) => (e.weekdays as boolean[] | undefined)?.[weekday];
  return {
    due: exercises.filter((e) => due(e) ?? true),
    rests: exercises.filter((e) => due(e) === false),
  };
}
