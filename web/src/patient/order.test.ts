import { describe, expect, it } from "vitest";
import { inOrder } from "./order";
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
