import { describe, expect, it } from "vitest";
import { many, movable, moved, nextFree, toggled } from "./days";

const on = (...days: number[]) =>
  [1, 2, 3, 4, 5, 6, 7].map((day) => days.includes(day));

describe("the days of a line", () => {
  it("move to a free day and never onto one that is taken", () => {
    expect(moved(on(1, 4), 4, 6)).toEqual(on(1, 6));
    expect(moved(on(1, 4), 4, 1)).toBeUndefined();
    expect(moved(on(1, 4), 2, 6)).toBeUndefined();
    expect(moved(on(1, 4), 4, 4)).toBeUndefined();
    expect(movable(on(1, 2, 3, 4, 5, 6, 7))).toBe(false);
  });
  it("are found from the keyboard in the order in which they are shown", () => {
    const shown = [3, 4, 5, 6, 7, 1, 2];
    expect(nextFree(on(3, 4), 3, 1, shown)).toBe(5);
    expect(nextFree(on(3, 7), 7, 1, shown)).toBe(1);
    expect(nextFree(on(3, 4), 4, -1, shown)).toBeUndefined();
  });
  it("are taken in and out, and one always stays", () => {
    expect(toggled(on(1, 4), 4)).toEqual(on(1));
    expect(toggled(on(1), 1)).toBeUndefined();
    expect(many(toggled(on(1), 7) ?? [])).toBe(2);
  });
});
