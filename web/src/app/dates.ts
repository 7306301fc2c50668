/** Months as people write them, by their first three letters. */
const MONTHS = [
  "jan",
  "feb",
  "mar",
  "apr",
  "may",
  "jun",
  "jul",
  "aug",
  "sep",
  "oct",
  "nov",
  "dec",
];

/** A day as the server keeps it: year, month, day. */
function iso(year: number, month: number, day: number): string | undefined {
  const date = new Date(Date.UTC(year, month - 1, day));
  date.setUTCFullYear(year);
  const exists =
    date.getUTCMonth() === month - 1 && date.getUTCDate() === day && month > 0;
  return exists ? date.toISOString().slice(0, 10) : undefined;
}

/**
 * Reads a date as it is typed here: day, month, year, whatever stands between them: `3 2 27`, `3.2.2027`, `3 feb 27`,
 * `030227`; also `2027-02-03`. A year of two digits is the newest that does not lie after `latest`.
 */
export function readDate(text: string, latest: string): string | undefined {
  const said = text.trim().toLowerCase();
  const whole = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(said);
  if (whole) return iso(Number(whole[1]), Number(whole[2]), Number(whole[3]));
  const parts =
    /^(\d{2})(\d{2})(\d{2}|\d{4})$/.exec(said) ??
    /^(\d{1,2})[\s./-]*([a-z]+|(?<=[\s./-])\d{1,2})[\s./-]+(\d{4}|\d{2})$/.exec(
      said.replace(",", " "),
    ) ??
    /^(\d{1,2})[\s./-]*([a-z]+)[\s./-]*(\d{4}|\d{2})$/.exec(said);
  if (!parts) return undefined;
  const [, day = "", named = "", year = ""] = parts;
  const month = /^\d/.test(named)
    ? Number(named)
    : named.length >= 3 &&
      MONTHS.findIndex((m) => named.startsWith(m) || m.startsWith(named)) + 1;
  if (!month) return undefined;
  if (year.length === 4) return iso(Number(year), month, Number(day));
  const century = Number(latest.slice(0, 2)) * 100;
  const newest = iso(century + Number(year), month, Number(day));
  return newest !== undefined && newest > latest
    ? iso(century - 100 + Number(year), month, Number(day))
    : (newest ?? iso(century - 100 + Number(year), month, Number(day)));
}
