import { describe, expect, it } from "vitest";
import { inOrder, onDay } from "./order";
import type { Exercise } from "./server";

const exercise = (sets: number, structure: string | null) =>
  ({ count: { sets, structure } }) as Exercise;

describe("the order of a session", () => {
  it("goes round by round through a circuit, and once through everything else", () => {
    const order = inOrder([
      exercise(1, null),
      exercise(2, "circuit"),
      exercise(3, "circuit"),
      exercise(2, null),
    ]);
    expect(order.map((s) => [s.place, s.round, s.rounds])).toEqual([
      [0, 1, 1],
      [1, 1, 2],
      [2, 1, 3],
      [1, 2, 2],
      [2, 2, 3],
      [2, 3, 3],
      [3, 1, 1],
    ]);
  });
  it("makes no circuit of one exercise", () => {
    expect(inOrder([exercise(3, "circuit")])).toEqual([
      { place: 0, round: 1, rounds: 1 },
    ]);
  });
});

describe("the days of an exercise", () => {
  const on = (id: string, weekdays?: boolean[]) =>
    ({ id, weekdays }) as unknown as Exercise;
  const no = [false, false, false, false, false, false];
  const names = (list: Exercise[]) => list.map((e) => e.id);
  it("keep what rests out of a day's session", () => {
    const list = [
      on("monday", [true, ...no]),
      on("sunday", [...no, true]),
      on("told before there were days"),
    ];
    const monday = onDay(list, "2027-03-01");
    expect(names(monday.due)).toEqual([
      "monday",
      "told before there were days",
    ]);
    expect(names(monday.rests)).toEqual(["sunday"]);
    expect(names(onDay(list, "2027-03-07").rests)).toEqual(["monday"]);
  });
});
