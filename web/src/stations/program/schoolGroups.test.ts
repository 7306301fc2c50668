import { expect, it } from "vitest";
import names from "../../../../locales/en/names.ftl?raw";
import { GROUPS, grouped } from "./schoolGroups";

it("groups every question once, and says where a new one belongs by failing here", () => {
  const all = [...names.matchAll(/^question-([a-z-]+) =/gm)].map((m) => ({
    id: m[1] ?? "",
  }));
  expect(all.length).toBeGreaterThan(20);
  const ids = GROUPS.flatMap(([, list]) => list);
  expect(new Set(ids).size).toBe(ids.length);
  const groups = grouped(all);
  expect(groups.flatMap(([, list]) => list).length).toBe(all.length);
  expect(groups.find(([group]) => group === "other")).toBeUndefined();
  // One that nobody has grouped yet is told all the same.
  expect(grouped([{ id: "brand-new" }])).toEqual([
    ["other", [{ id: "brand-new" }]],
  ]);
});
