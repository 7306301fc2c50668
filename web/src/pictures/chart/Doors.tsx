import { ink } from "../../app/theme";
import { t } from "../../app/wording";
import type { Frame, View } from "./frame";

/** Gates as doors across all lines. */
export function Doors({
  view,
  frame: { from, to, x, width },
  top: linesTop,
  bottom,
}: {
  view: View;
  frame: Frame;
  top: number;
  bottom: number;
}) {
  return view.gates
    .filter((g) => g.day >= from && g.day <= to)
    .map((g) => {
      const gx = x(g.day),
        open = g.passed;
      return (
        <g key={g.view.gate}>
          <line
            x1={gx}
            x2={gx}
            y1={linesTop - 4}
            y2={bottom}
            stroke={open ? ink.moss : ink.saffron}
            strokeWidth={open ? 2 : 4}
          />
          {!open && (
            <line
              x1={gx + 3.5}
              x2={gx + 3.5}
              y1={linesTop - 4}
              y2={bottom}
              stroke={ink.text}
              strokeWidth="1"
            />
          )}
          <g
            transform={`translate(${Math.min(gx, width - 40)} ${linesTop - 13})`}
          >
            <rect
              x="-19"
              y="-10"
              width="38"
              height="19"
              rx="3"
              fill={open ? ink.mossPale : ink.saffronPale}
              stroke={open ? ink.moss : ink.text}
            />
            <text
              y="4.5"
              fontSize="12.5"
              fontWeight="650"
              textAnchor="middle"
              fill={ink.text}
            >
              {open ? t("chart-open") : `${g.view.met}/${g.view.total}`}
            </text>
          </g>
        </g>
      );
    });
}
