import { expect, it } from "vitest";
import { dayOfMonth, longDate, moment, shortDate, weekday } from "./wording";

const pages = import.meta.glob<string>("../**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});
const catalogues = import.meta.glob<string>("../../../locales/en/**/*.ftl", {
  query: "?raw",
  import: "default",
  eager: true,
});
const known = new Set(
  Object.values(catalogues).flatMap((text) =>
    [...text.matchAll(/^([a-z][\w-]*) =/gm)].map((m) => m[1] ?? ""),
  ),
);
/** The ids of each catalogue. */
const said = Object.entries(catalogues).map(
  ([file, text]): [string, string[]] => [
    /([\w-]+)\.ftl$/.exec(file)?.[1] ?? "",
    [...text.matchAll(/^([a-z][\w-]*) =/gm)].map((m) => m[1] ?? ""),
  ],
);
/** The catalogues that are there before any page. */
const SHELL = ["names", "patient", "problems", "rules", "screens"];
/** What a file imports, and what it fetches when it is needed. */
const STATIC = /^(?:import|export)\b[^";]*?"(\.[^"]+)"/gm;
const LAZY = /\bimport\("(\.[^"]+)"\)/g;

/** The file that another one imports by this path. */
function found(from: string, path: string): string | undefined {
  const there = new URL(path, `file:///src/app/${from}`).pathname;
  const file = there.replace("/src/app/", "./").replace("/src/", "../");
  return [file, `${file}.ts`, `${file}.tsx`].find((f) => f in pages);
}

/** The ids that a text names as a whole, and the beginnings of those that it puts together. */
function named(text: string) {
  return {
    whole: new Set([
      ...[...text.matchAll(/\bt\(\s*"([\w-]+)"/g)].map((m) => m[1]),
      ...[...text.matchAll(/"(\w+-[\w-]+)"/g)].map((m) => m[1]),
    ]),
    begun: [...text.matchAll(/\bt\(\s*`([a-z][\w-]*-)\$\{/g)].map(
      (m) => m[1] ?? "",
    ),
  };
}
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

it("loads with every page the catalogues of all that it says, and with the shell its own alone", () => {
  const imports = (text: string, lazy: boolean) =>
    [...text.matchAll(lazy ? LAZY : STATIC)].map((m) => m[1] ?? "");
  const roots = new Set(["./main.tsx"]);
  for (const [file, text] of sources)
    for (const lazy of imports(text, true)) roots.add(found(file, lazy) ?? "");
  expect(roots.size).toBeGreaterThan(20);
  const missing: string[] = [];
  for (const root of roots) {
    const files = new Set<string>();
    const taken = new Set(SHELL);
    const open = [root];
    for (let file = open.pop(); file !== undefined; file = open.pop()) {
      const text = pages[file];
      if (text === undefined || files.has(file)) continue;
      files.add(file);
      for (const other of imports(text, false)) {
        const catalogue = /([\w-]+)\.ftl\?learn$/.exec(other)?.[1];
        if (catalogue) taken.add(catalogue);
        else open.push(found(file, other) ?? "");
      }
    }
    for (const file of files) {
      const { whole, begun } = named(pages[file] ?? "");
      for (const [catalogue, ids] of said)
        if (!taken.has(catalogue))
          for (const id of ids)
            if (whole.has(id) || begun.some((start) => id.startsWith(start)))
              missing.push(`${root}: ${catalogue}, for ${id} of ${file}`);
    }
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
