/** Something that is found, and what choosing it does. */
export interface Hit {
  key: string;
  name: string;
  /** What tells it from others of the same name. */
  more?: string;
  to?: string;
  run?: () => void;
  /** It was looked for elsewhere already: it fits whatever is typed. */
  sure?: boolean;
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

/** What fits, at most so many: names that begin with it first. */
export function found(
  hits: readonly Hit[],
  typed: string,
  most: number,
): Hit[] {
  const start = plain(typed.trim());
  const begins = (h: Hit) => (plain(h.name).startsWith(start) ? 0 : 1);
  return hits
    .filter((h) => h.sure === true || fits(h.name, typed))
    .sort((a, b) => begins(a) - begins(b))
    .slice(0, most);
}
