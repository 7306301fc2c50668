import { expect, it } from "vitest";
import { merge, same } from "./merge";

it("says the same of what the server writes in another order or leaves out", () => {
  expect(same({ a: 1, b: [1, { c: null }] }, { b: [1, {}], a: 1 })).toBe(true);
  expect(same({ a: undefined }, {})).toBe(true);
  expect(same([1, 2], [2, 1])).toBe(false);
  expect(same({ 0: 1 }, [1])).toBe(false);
  expect(same(0, null)).toBe(false);
  expect(same("", null)).toBe(false);
});

it("lays one's own changes on what somebody else saved, and names what both changed", () => {
  const base = { note: "", work: "glazier", kit: ["bed"], side: "left" };
  const mine = { ...base, note: "mine", work: "glazier, mornings" };
  const theirs = { ...base, work: "glazier, three days", kit: ["bed", "wall"] };
  const { value, clashes } = merge(base, mine, theirs);
  expect(value).toEqual({
    note: "mine",
    work: "glazier, mornings",
    kit: ["bed", "wall"],
    side: "left",
  });
  expect(clashes).toEqual([{ field: "work", theirs: "glazier, three days" }]);
});

it("asks nothing where both made the same change", () => {
  const { value, clashes } = merge({ a: 1 }, { a: 2 }, { a: 2 });
  expect(value).toEqual({ a: 2 });
  expect(clashes).toEqual([]);
});
