import { expect, it } from "vitest";
import { found, type Hit } from "./found";

const hit = (name: string): Hit => ({ key: name, name });

it("finds by any words in any order, begun names first, marks or none", () => {
  const hits = ["Wall slide", "Slide on a table", "Pendulum"].map((n) =>
    hit(n),
  );
  const names = (typed: string, most = 9) =>
    found(hits, typed, most).hits.map((h) => h.name);
  expect(names("slide")).toEqual(["Slide on a table", "Wall slide"]);
  expect(names("SLIDE wall")).toEqual(["Wall slide"]);
  expect(names("slide", 1)).toEqual(["Slide on a table"]);
  expect(names("")).toHaveLength(3);
  expect(names("swim")).toEqual([]);
  expect(found(hits, "slide", 1).of).toBe(2);
  // An answer to what was typed before never offers somebody who does not fit what is typed now.
  expect(found([hit("Kolařík"), hit("Ana Brera")], "kolarik", 9)).toEqual({
    hits: [hit("Kolařík")],
    of: 1,
  });
});
