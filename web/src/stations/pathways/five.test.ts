import { expect, it } from "vitest";
import { fives, withFive } from "./five";

const files = import.meta.glob<string>(
  "../../../../knowledge/pathways/*.toml",
  {
    query: "?raw",
    import: "default",
    eager: true,
  },
);

it("finds and changes the numbers of rows between braces and of rows of their own", () => {
  const text = `id = "x"
pain = [
  { id = "early", max = 2.0, source = "s" },
]
[[phase]]
earliest_week = 2
id = "protect"
max_minutes = 20.0
[[corridor]]
id = "passive-elevation"
opens_week = 2
rows = [
  { end_of_week = 2, floor = 60.0, ceiling = 90.0 },
  { end_of_week = 6, ceiling = 120.0 },
]
[[corridor]]
id = "passive-er-side"
[[corridor.rows]]
ceiling = 20.0
end_of_week = 2
[[corridor.rows]]
ceiling = 30.0
end_of_week = 6
[[gate]]
id = "g"
max = 9
`;
  const all = fives(text);
  const told = (owner: string) =>
    all
      .filter((f) => f.owner === owner)
      .map((f) => `${f.row} ${f.key} ${f.value}`);
  expect(told("protect")).toEqual(["0 earliest_week 2", "0 max_minutes 20"]);
  expect(told("passive-elevation")).toEqual([
    "0 opens_week 2",
    "0 end_of_week 2",
    "0 floor 60",
    "0 ceiling 90",
    "1 end_of_week 6",
    "1 ceiling 120",
  ]);
  expect(told("passive-er-side")).toEqual([
    "0 ceiling 20",
    "0 end_of_week 2",
    "1 ceiling 30",
    "1 end_of_week 6",
  ]);
  expect(told("early")).toEqual(["0 max 2"]);
  // Nothing of a gate is offered.
  expect(all.some((f) => f.owner === "g")).toBe(false);
  const ceiling = all.find((f) => f.value === 120);
  if (!ceiling) throw new Error("the ceiling");
  const changed = withFive(text, ceiling, 100);
  expect(changed).toContain("end_of_week = 6, ceiling = 100.0 }");
  expect(changed.replace("100.0", "120.0")).toBe(text);
});

it("reads every pathway that ships and writes each number back as it was", () => {
  expect(Object.keys(files).length).toBeGreaterThan(20);
  for (const [file, text] of Object.entries(files)) {
    const all = fives(text);
    // A shoulder without a pathway has no phases to change.
    expect(all.length, file).toBeGreaterThan(
      file.includes("no-operation") ? 0 : 3,
    );
    for (const five of all)
      expect(withFive(text, five, five.value), `${file} ${five.key}`).toBe(
        text,
      );
  }
});
