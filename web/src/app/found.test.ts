import { expect, it } from "vitest";
import { found, type Hit } from "./found";

const hit = (name: string, sure = false): Hit => ({ key: name, name, sure });

it("finds by any words in any order, begun names first, marks or none", () => {
  const hits = ["Wall slide", "Slide on a table", "Pendulum"].map((n) =>
    hit(n),
  );
  const names = (typed: string, most = 9) =>
    found(hits, typed, most).map((h) => h.name);
  expect(names("slide")).toEqual(["Slide on a table", "Wall slide"]);
  expect(names("SLIDE wall")).toEqual(["Wall slide"]);
  expect(names("slide", 1)).toEqual(["Slide on a table"]);
  expect(names("")).toHaveLength(3);
  expect(names("swim")).toEqual([]);
  expect(found([hit("Kolařík"), hit("Ana Brera", true)], "kolarik", 9)).toEqual(
    [hit("Kolařík"), hit("Ana Brera", true)],
  );
});
