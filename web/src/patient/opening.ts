import type { components } from "../api/schema";
import { t } from "./words";

type Hours = components["schemas"]["OpenHours"];

/** *Monday to Friday 08:00 to 17:00*: days in a row with the same hours stand together. */
export function openingWords(opening: Hours[]): string {
  const clock = (time: string) => time.slice(0, 5);
  const days = [1, 2, 3, 4, 5, 6, 7].map((weekday) =>
    opening
      .filter((row) => row.weekday === weekday)
      .sort((a, b) => a.from.localeCompare(b.from))
      .map((row) =>
        t("phone-hours", { from: clock(row.from), until: clock(row.until) }),
      )
      .join(", "),
  );
  const parts: string[] = [];
  for (let first = 0; first < 7; first++) {
    const hours = days[first];
    if (!hours) continue;
    let last = first;
    while (last < 6 && days[last + 1] === hours) last++;
    const day = (n: number) => t(`phone-weekday-${n + 1}`);
    const says =
      first === last
        ? day(first)
        : t("phone-days", { first: day(first), last: day(last) });
    parts.push(`${says} ${hours}`);
    first = last;
  }
  return parts.join("; ");
}
