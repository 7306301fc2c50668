import type { Frame, View } from "./frame";
import { labelOf } from "./labelOf";
import { numbered, type Numbered } from "./numbered";

/** Lines shown whose name does not stand in full in the picture. */
export function unnamed(view: View, frame: Frame): Numbered[] {
  const all = numbered(view.lines);
  return all.filter(({ n, line }, i) => {
    const { from_day, to_day } = line.line;
    if (!frame.shows(from_day, to_day)) return false;
    const after = all[i + 1]?.line;
    const next =
      after?.ladder === line.ladder ? after.line.from_day : undefined;
    return !labelOf(line, n, next, frame).whole;
  });
}
