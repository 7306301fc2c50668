import { useId } from "react";
import { ink } from "../app/theme";
import { t } from "../app/wording";
import { Corridors, corridorsHeight } from "./chart/Corridors";
import { Doors } from "./chart/Doors";
import { frame as makeFrame, TOP, type View } from "./chart/frame";
import { Head } from "./chart/Head";
import { ladderRows, Ladders } from "./chart/Ladders";
import { Phases } from "./chart/Phases";
import { Precautions, precautionsHeight } from "./chart/Precautions";
import { Sling, slingHeight } from "./chart/Sling";
import { numbered } from "./chart/numbered";
import { Today } from "./chart/Today";
import { usePull } from "./chart/usePull";

export interface PlanChartProps {
  view: View;
  selected: string | undefined;
  onSelect: (line: string) => void;
  /** A line was moved or stretched by so many days at its beginning and its end. */
  onMove?: (line: string, from: number, to: number) => void;
  /** Days shown, from and to. */
  window: [number, number];
  width: number;
  /** Narrow: beside another one. */
  small?: boolean;
  /** Only ladders that run in the days shown. */
  tight?: boolean;
  /** Exercises that differ from the other one. */
  marked?: Set<string>;
}

/** The whole program on one sheet, weeks across. */
export function PlanChart({
  view,
  selected,
  onSelect,
  onMove,
  window,
  width,
  small = false,
  tight = false,
  marked,
}: PlanChartProps) {
  const id = useId();
  const frame = makeFrame(id, window, width, small);
  const pull = usePull(frame.perDay, onMove);
  const sling = TOP + 34;
  const precautions = sling + slingHeight(view, frame);
  const corridors =
    precautions + precautionsHeight(view, frame) + (small ? 10 : 24);
  const lines = corridors + corridorsHeight(view) + 22;
  const { rows, bottom: end } = ladderRows(view, frame, tight, lines);
  const empty = view.lines.length === 0;
  const bottom = end + (empty ? 40 : 0) + 4;
  return (
    <svg
      width={width}
      height={bottom + 8}
      viewBox={`0 0 ${width} ${bottom + 8}`}
      role="group"
      aria-label={t("chart-label")}
    >
      <defs>
        <pattern
          id={`nights-${id}`}
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V5" stroke={ink.text} strokeWidth="1.8" />
        </pattern>
      </defs>
      <Head frame={frame} />
      <Phases view={view} frame={frame} y={TOP} />
      <Sling view={view} frame={frame} y={sling} />
      <Precautions view={view} frame={frame} y={precautions} />
      <Corridors view={view} frame={frame} y={corridors} />
      <Doors view={view} frame={frame} top={lines} bottom={bottom} />
      <Ladders
        rows={rows}
        frame={frame}
        pull={pull}
        selected={selected}
        marked={marked}
        numbers={
          new Map(numbered(view.lines).map((l) => [l.line.line.id, l.n]))
        }
        onSelect={onSelect}
      />
      {empty && (
        <text x={frame.label} y={end + 22} fontSize="15" fill={ink.soft}>
          {t("chart-empty")}
        </text>
      )}
      <Today day={view.today.day} frame={frame} bottom={bottom} />
    </svg>
  );
}
