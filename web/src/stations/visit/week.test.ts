import { expect, it } from "vitest";
import type { Schemas } from "../../app/client";
import {
  asPlanned,
  cellKey,
  feltOf,
  leftWhy,
  nextSessions,
  weekOf,
} from "./week";

const DAYS = ["2027-02-27", "2027-02-28", "2027-03-01"];
const GRID: Schemas["HomeGrid"] = {
  days: DAYS,
  rows: [
    {
      exercise: "a",
      repetitions: 10,
      cells: [
        { planned: 3, done: null, because: null },
        { planned: 3, done: 0, because: "hurt" },
        { planned: 3, done: null, because: null },
      ],
    },
    {
      exercise: "b",
      repetitions: 8,
      cells: [
        { planned: 0, done: null, because: null },
        { planned: null, done: null, because: null },
        { planned: 2, done: null, because: null },
      ],
    },
  ],
};

it("goes from as planned one less each time to left out and round again", () => {
  const seen: number[] = [];
  let done: number | null = null;
  for (let tap = 0; tap < 6; tap++) {
    done = nextSessions(3, done);
    seen.push(done);
  }
  expect(seen).toEqual([3, 2, 1, 0, 3, 2]);
  // On a day of rest one session was done after all; more than planned comes down too.
  expect(nextSessions(0, null)).toBe(1);
  expect(nextSessions(2, 9)).toBe(2);
});

it("fills only what was planned and of which nothing is known", () => {
  const fills = asPlanned(
    GRID,
    DAYS,
    new Map([[cellKey("b", DAYS[2] ?? ""), 1]]),
  );
  expect(fills.map((f) => [f.exercise, f.day, f.sessions])).toEqual([
    ["a", "2027-02-27", 3],
    ["a", "2027-03-01", 3],
  ]);
});

it("shows seven days, the last ones first", () => {
  const days = Array.from({ length: 14 }, (_, i) => String(i));
  expect(weekOf(days, 0)).toEqual(days.slice(7));
  expect(weekOf(days, 1)).toEqual(days.slice(0, 7));
  expect(weekOf(days.slice(0, 3), 0)).toEqual(["0", "1", "2"]);
});

it("takes the later word of a day, and the newest slip", () => {
  const entry = (id: string, kind: string, value?: number) =>
    ({
      id,
      on: "2027-03-01",
      exercise: null,
      remark: "",
      kind,
      value,
    }) as unknown as Schemas["LogEntry"];
  const felt = feltOf([
    entry("3", "pain_during", 2),
    entry("2", "slip"),
    entry("1", "pain_during", 7),
  ]).get("2027-03-01");
  expect(felt).toEqual({ values: { pain_during: 2 }, slip: "2" });
});

it("says why an exercise was left out on the days that are shown", () => {
  const [a, b] = GRID.rows;
  if (!a || !b) throw new Error("two rows");
  expect(leftWhy(GRID, a, DAYS)).toEqual([["hurt", 1]]);
  expect(leftWhy(GRID, a, DAYS.slice(0, 1))).toEqual([]);
  expect(leftWhy(GRID, b, DAYS)).toEqual([]);
});
