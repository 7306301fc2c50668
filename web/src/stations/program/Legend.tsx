import { nameOf, t } from "../../app/wording";
import type { Schemas } from "../../app/client";
import { frame } from "../../pictures/chart/frame";
import { unnamed } from "../../pictures/chart/legend";

/** The names that found no room in the picture, by their numbers. */
export function Legend({
  view,
  window,
  width,
  onSelect,
}: {
  view: Schemas["PlanChart"];
  window: [number, number];
  width: number;
  onSelect: (line: string) => void;
}) {
  const short = unnamed(view, frame("legend", window, width, false));
  if (short.length === 0) return null;
  return (
    <ol className="legend small no-print" id="legend" aria-label={t("legend")}>
      {short.map(({ n, line }) => (
        <li key={line.line.id}>
          <button className="plain" onClick={() => onSelect(line.line.id)}>
            <b className="num">{n}</b> {nameOf("exercise", line.line.exercise)}
          </button>
        </li>
      ))}
    </ol>
  );
}
