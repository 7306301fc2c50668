import type { Schemas } from "../../app/client";
import { doseInShort } from "../../app/dose";
import { nameOf, t } from "../../app/wording";
import { fit, wide } from "./fit";
import type { Frame } from "./frame";

/** Pixels of a line's name. */
export const NAME_SIZE = 11.8;

/** What one exercise reads as when days are shown. */
function doseText(line: Schemas["Line"]): string {
  const { times_per_day, days_per_week } = line.dose;
  const week =
    days_per_week < 7 ? `, ${t("days-a-week", { n: days_per_week })}` : "";
  return ` · ${doseInShort(line.dose)} · ${times_per_day}/${t("day")}${week}`;
}

/** What stands on a line: its name as far as it fits, else its number; `whole` when it is the name in full. */
export function labelOf(
  l: Schemas["LineView"],
  n: number,
  next: number | undefined,
  { x, byDay, width, right }: Frame,
): { text: string; whole: boolean } {
  const name = nameOf("exercise", l.line.exercise);
  const room =
    (next === undefined ? width - right : x(next)) - x(l.line.from_day) - 6;
  if (byDay) {
    const text = fit(name + doseText(l.line), room, NAME_SIZE);
    return { text: text || String(n), whole: text.startsWith(name) };
  }
  if (wide(name, NAME_SIZE) <= room) return { text: name, whole: true };
  // The number leads to the name below the picture, whatever is left of the name.
  const part = fit(name, room - wide(`${n} `, NAME_SIZE), NAME_SIZE);
  return { text: part ? `${n} ${part}` : String(n), whole: false };
}
