/** Something that is found, and what choosing it does. */
export interface Hit {
  key: string;
  name: string;
  /** What tells it from others of the same name. */
  more?: string;
  to?: string;
  run?: () => void;
}

/** Letters as they are compared: without marks above and below, so that "Kolarik" finds Kolařík. */
const plain = (text: string) =>
  text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();

/** Whether all words stand in a text, in any order. */
export function fits(text: string, typed: string): boolean {
  const there = plain(text);
  return plain(typed)
    .split(/\s+/)
    .every((word) => there.includes(word));
}

/**
 * What fits, names that begin with it first, at most so many; and how many there are. People are looked for by the
 * server, and its last answer may speak of what was typed before: opening the wrong person is worse than none.
 */
export function found(
  hits: readonly Hit[],
  typed: string,
  most: number,
): { hits: Hit[]; of: number } {
  const start = plain(typed.trim());
  const begins = (h: Hit) => (plain(h.name).startsWith(start) ? 0 : 1);
  const all = hits
    .filter((h) => fits(h.name, typed))
    .sort((a, b) => begins(a) - begins(b));
  return { hits: all.slice(0, most), of: all.length };
}
