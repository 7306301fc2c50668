import { ink } from "../../app/theme";
import { t } from "../../app/wording";
import type { Frame } from "./frame";

/** Today, across everything. */
export function Today({
  day,
  frame: { from, to, x },
  bottom,
}: {
  day: number;
  frame: Frame;
  bottom: number;
}) {
  if (day < from || day > to) return null;
  return (
    <g>
      <line
        x1={x(day)}
        x2={x(day)}
        y1={25}
        y2={bottom}
        stroke={ink.text}
        strokeWidth="1.6"
        strokeDasharray="7 3"
      />
      <rect
        x={x(day) - 24}
        y={3}
        width="48"
        height="20"
        rx="3"
        fill={ink.text}
      />
      <text
        x={x(day)}
        y={17.5}
        fontSize="12.5"
        fontWeight="600"
        textAnchor="middle"
        fill="var(--on)"
      >
        {t("chart-today")}
      </text>
    </g>
  );
}
