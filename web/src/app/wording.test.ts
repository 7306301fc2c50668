import { expect, it } from "vitest";
import { dayOfMonth, longDate, moment, shortDate, weekday } from "./wording";

const pages = import.meta.glob<string>("../**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});
const catalogues = import.meta.glob<string>("../../../locales/en/*.ftl", {
  query: "?raw",
  import: "default",
  eager: true,
});
const known = new Set(
  Object.values(catalogues).flatMap((text) =>
    [...text.matchAll(/^([a-z][\w-]*) =/gm)].map((m) => m[1] ?? ""),
  ),
);
/** Pages of the application, without its tests. */
const sources = Object.entries(pages).filter(
  ([file]) => !file.includes(".test.") && !file.includes("/api/"),
);

it("finds a sentence for every id that a page names", () => {
  expect(known.size).toBeGreaterThan(1000);
  const missing: string[] = [];
  let named = 0;
  for (const [file, text] of sources)
    for (const [, id = ""] of text.matchAll(/\bt\(\s*"([a-z][\w-]*)"/g)) {
      named++;
      if (!known.has(id)) missing.push(`${file}: ${id}`);
    }
  expect(named).toBeGreaterThan(400);
  expect(missing).toEqual([]);
});

it("has the words of the shell and the day list before any station came", () => {
  const first = new Set(
    Object.entries(catalogues)
      .filter(([file]) => /(names|problems|rules|screens)\.ftl$/.test(file))
      .flatMap(([, text]) =>
        [...text.matchAll(/^([a-z][\w-]*) =/gm)].map((m) => m[1] ?? ""),
      ),
  );
  const missing: string[] = [];
  for (const [file, text] of sources) {
    if (!/^\.\/|Decisions|\/decisions\/|SignIn/.test(file)) continue;
    if (text.includes("stationWords")) continue;
    for (const [, id = ""] of text.matchAll(/\bt\(\s*"([a-z][\w-]*)"/g))
      if (!first.has(id)) missing.push(`${file}: ${id}`);
  }
  expect(missing).toEqual([]);
});

it("finds some sentence for every id that a page puts together", () => {
  const missing: string[] = [];
  for (const [file, text] of sources)
    for (const [, start = ""] of text.matchAll(/\bt\(\s*`([a-z][\w-]*)\$\{/g))
      if (![...known].some((id) => id.startsWith(start)))
        missing.push(`${file}: ${start}…`);
  expect(missing).toEqual([]);
});

it("tells what every key does that a screen registers", () => {
  const missing: string[] = [];
  for (const [file, text] of sources)
    for (const [, list = ""] of text.matchAll(
      /const KEYS = \[([^\]]*)\] as const/g,
    ))
      for (const [, key = ""] of list.matchAll(/"([a-z-]+)"/g))
        if (!known.has(`key-${key}`)) missing.push(`${file}: key-${key}`);
  expect(missing.filter((m) => !m.includes("Keypad"))).toEqual([]);
});

it("names every place that g leads to", () => {
  for (const station of [
    "visit",
    "story",
    "examine",
    "read",
    "program",
    "home",
    "timeline",
    "ranges",
    "strength",
    "scores",
    "decisions",
    "library",
    "clinic",
  ])
    expect(known.has(`nav-${station}`), station).toBe(true);
});

it("says days and moments with all their words", () => {
  const day = "2027-03-01";
  expect(shortDate(day)).toBe("1 Mar 2027");
  expect(longDate(day)).toBe("Monday 1 March 2027");
  expect(dayOfMonth(day)).toBe("1 Mar");
  expect([weekday(day), weekday("2027-02-28", true)]).toEqual([
    "Mon",
    "Sunday",
  ]);
  expect(moment("2027-12-09T14:05")).toBe("9 Dec 2027, 14:05");
});
