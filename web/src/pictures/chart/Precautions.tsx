import { wide } from "./fit";
import { ink } from "../../app/theme";
import { nameOf, t } from "../../app/wording";
import type { Frame, View } from "./frame";
import { Label } from "./Label";

/** Rows that are drawn at most. */
const MOST = 12;
/** Pixels of a row. */
const ROW = 15;

/** What is drawn in the days shown. */
function shown(view: View, { small, shows }: Frame) {
  return small
    ? []
    : view.precautions
        .filter((p) => shows(p.from_day, p.to_day))
        .slice(0, MOST);
}

/** Height of all rows. */
export function precautionsHeight(view: View, frame: Frame): number {
  return shown(view, frame).length * ROW;
}

/** Size of a name, in pixels. */
const SIZE = 11.8;

/** Each precaution as a line that ends where it ends. */
export function Precautions({
  view,
  frame,
  y: top,
}: {
  view: View;
  frame: Frame;
  y: number;
}) {
  const { x, width, label } = frame;
  const rows = shown(view, frame);
  return (
    <>
      {rows.length > 0 && <Label text={t("chart-precautions")} y={top + 14} />}
      {rows.map((p, row) => {
        const y = top + row * ROW;
        const x0 = x(p.from_day),
          x1 = x(p.to_day);
        const name = nameOf("precaution", p.id);
        const room = wide(name, SIZE) + 12;
        return (
          <g key={p.id}>
            <line
              x1={x0}
              x2={x1}
              y1={y + 8}
              y2={y + 8}
              stroke={ink.brick}
              strokeWidth="1.6"
            />
            <path
              d={`M${x1} ${y + 4}V${y + 12}`}
              stroke={ink.brick}
              strokeWidth="1.6"
            />
            {x1 + room < width ? (
              <text x={x1 + 6} y={y + 12} fontSize={SIZE} fill={ink.text}>
                {name}
              </text>
            ) : x0 - label > room ? (
              <text
                x={x0 - 6}
                y={y + 12}
                fontSize={SIZE}
                textAnchor="end"
                fill={ink.text}
              >
                {name}
              </text>
            ) : (
              <>
                <rect
                  x={x0 + (x1 - x0) / 2 - 6}
                  y={y + 1}
                  width={room}
                  height="14"
                  fill={ink.paper}
                />
                <text
                  x={x0 + (x1 - x0) / 2}
                  y={y + 12}
                  fontSize={SIZE}
                  fill={ink.text}
                >
                  {name}
                </text>
              </>
            )}
          </g>
        );
      })}
    </>
  );
}
