import type { View } from "./frame";

/** Purposes in the order of the picture. */
export const PURPOSES = [
  "settle",
  "move",
  "control",
  "strengthen",
  "load",
  "return",
];

/** One line with its number. */
export interface Numbered {
  n: number;
  line: View["lines"][number];
}

/** All lines in the order of the picture, with a number each: where a name does not fit its number stands. */
export function numbered(lines: View["lines"]): Numbered[] {
  const ladders = [...new Set(lines.map((l) => l.ladder))];
  const place = (l: View["lines"][number]) =>
    PURPOSES.indexOf(l.purpose) * 1_000 + ladders.indexOf(l.ladder);
  return [...lines]
    .sort((a, b) => place(a) - place(b) || a.line.from_day - b.line.from_day)
    .map((line, i) => ({ n: i + 1, line }));
}
