import type { Schemas } from "../../app/client";

type Grid = Schemas["HomeGrid"];
type Entry = Schemas["LogEntry"];

/** What was tapped and may not be on record yet: sessions by exercise and day. */
export type Tapped = ReadonlyMap<string, number>;

export const cellKey = (exercise: string, day: string) => `${exercise} ${day}`;

/**
 * Sessions that a tap makes of what is known: as planned first, then one less each time, then left out, then as
 * planned.
 */
export function nextSessions(planned: number, done: number | null): number {
  const whole = Math.max(planned, 1);
  if (done === null || done === 0) return whole;
  return Math.min(done, whole + 1) - 1;
}

/** What is known of a cell: what was tapped here is newer than what is on record. */
export function known(
  tapped: Tapped,
  exercise: string,
  day: string,
  done: number | null | undefined,
): number | null {
  return tapped.get(cellKey(exercise, day)) ?? done ?? null;
}

export interface Fill {
  exercise: string;
  day: string;
  sessions: number;
  repetitions: number;
}

/**
 * What *as planned* fills on some days: what was planned and of which nothing is known. What was said stays as
 * it was said.
 */
export function asPlanned(
  grid: Grid,
  days: readonly string[],
  tapped: Tapped,
): Fill[] {
  return days.flatMap((day) => {
    const at = grid.days.indexOf(day);
    return grid.rows.flatMap((row) => {
      const cell = row.cells[at];
      const planned = cell?.planned ?? 0;
      if (planned === 0) return [];
      if (known(tapped, row.exercise, day, cell?.done) !== null) return [];
      return [
        {
          exercise: row.exercise,
          day,
          sessions: planned,
          repetitions: row.repetitions,
        },
      ];
    });
  });
}

/** The seven days that are shown: the last ones, or so many weeks before. */
export function weekOf(days: readonly string[], back: number): string[] {
  const end = days.length - 7 * back;
  return days.slice(Math.max(0, end - 7), end);
}

export type Feeling =
  "pain_before" | "pain_during" | "pain_next_morning" | "effort";
export const FEELINGS: readonly Feeling[] = [
  "pain_before",
  "pain_during",
  "pain_next_morning",
  "effort",
];

/** How a day felt, and the ids of its slip and its bad day, each to be taken back. */
export interface DayFelt {
  values: Partial<Record<Feeling, number>>;
  slip?: string;
  flare?: string;
}

/** Days of the log, which comes newest first: a later word for the same day and thing corrects the earlier one. */
export function feltOf(log: readonly Entry[]): Map<string, DayFelt> {
  const days = new Map<string, DayFelt>();
  for (const e of log) {
    const day = days.get(e.on) ?? { values: {} };
    if (e.kind === "slip" || e.kind === "slip_worse") day.slip ??= e.id;
    else if (e.kind === "flare_day") day.flare ??= e.id;
    else if ("value" in e && e.exercise == null)
      day.values[e.kind as Feeling] ??= e.value;
    days.set(e.on, day);
  }
  return days;
}

/** Why an exercise was left out on these days, the most frequent reason first. */
export function leftWhy(grid: Grid, row: Grid["rows"][number], days: string[]) {
  const counts = new Map<string, number>();
  for (const day of days) {
    const because = row.cells[grid.days.indexOf(day)]?.because;
    if (because) counts.set(because, (counts.get(because) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1]);
}
