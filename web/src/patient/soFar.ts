import type { Told } from "./server";

/** What was said about today. */
export const onDay = (said: Told[], today: string) =>
  said.filter((e) => e.on === today);

/** How often an exercise was done today: the last word counts, since a later one corrects it. */
export function doneToday(said: Told[], exercise: string, today: string) {
  const last = onDay(said, today)
    .filter((e) => e.kind === "done" && e.exercise === exercise)
    .at(-1);
  return last?.kind === "done" ? last.sessions : 0;
}

/** Whether it was said that an exercise is left out today. */
export const leftOut = (said: Told[], exercise: string, today: string) =>
  onDay(said, today).some(
    (e) => e.kind === "left_out" && e.exercise === exercise,
  );

/** Whether something of a kind was said about today. */
export const saidOf = (said: Told[], kind: Told["kind"], today: string) =>
  onDay(said, today).some((e) => e.kind === kind);
