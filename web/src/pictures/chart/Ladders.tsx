import { ink } from "../../app/theme";
import { nameOf } from "../../app/wording";
import type { Frame, View } from "./frame";
import { Label } from "./Label";
import { PURPOSES } from "./numbered";
import { Segment } from "./Segment";
import type { Pull } from "./usePull";

/** One ladder with its lines, and the row it stands in. */
interface Row {
  purpose: string;
  ladder: string;
  /** Whether it is the first of its purpose. */
  first: boolean;
  y: number;
  lines: View["lines"];
}

/** One row a ladder, by purpose; `bottom` is where they end. */
export function ladderRows(
  view: View,
  { small, shows }: Frame,
  tight: boolean,
  top: number,
): { rows: Row[]; bottom: number } {
  const rows: Row[] = [];
  let y = top;
  for (const purpose of PURPOSES) {
    const here = view.lines.filter(
      (l) =>
        l.purpose === purpose &&
        (!tight || shows(l.line.from_day, l.line.to_day)),
    );
    if (here.length === 0) continue;
    for (const [i, ladder] of [
      ...new Set(here.map((l) => l.ladder)),
    ].entries()) {
      const lines = here
        .filter((l) => l.ladder === ladder)
        .sort((a, b) => a.line.from_day - b.line.from_day);
      rows.push({ purpose, ladder, first: i === 0, y, lines });
      y += small ? 27 : 35;
    }
    y += 5;
  }
  return { rows, bottom: y };
}

/** Exercise lines: one row a ladder, steps where the rung changes. */
export function Ladders({
  rows,
  frame,
  pull,
  selected,
  marked,
  numbers,
  onSelect,
}: {
  /** The number of each line, by its id. */
  numbers: Map<string, number>;
  rows: Row[];
  frame: Frame;
  pull: Pull;
  selected: string | undefined;
  marked: Set<string> | undefined;
  onSelect: (line: string) => void;
}) {
  return (
    <>
      {rows.map((row) => (
        <g key={row.purpose + row.ladder}>
          {row.first && (
            <Label
              text={nameOf("purpose", row.purpose)}
              y={row.y + 28}
              strong
            />
          )}
          {!frame.small && (
            <text x={88} y={row.y + 28} fontSize="12.5" fill={ink.soft}>
              {nameOf("ladder", row.ladder)}
            </text>
          )}
          {row.lines.map((l, i) => (
            <Segment
              key={l.line.id}
              l={l}
              step={i}
              n={numbers.get(l.line.id) ?? 0}
              top={row.y}
              next={row.lines[i + 1]?.line.from_day}
              frame={frame}
              on={selected === l.line.id}
              marked={marked?.has(l.line.exercise) ?? false}
              pull={pull}
              onSelect={() => onSelect(l.line.id)}
            />
          ))}
        </g>
      ))}
    </>
  );
}
