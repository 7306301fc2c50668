import { ink } from "../../app/theme";
import { t } from "../../app/wording";
import type { Frame } from "./frame";

/** Weeks between two labels, so that they do not run into each other. */
function weekStep({ from, to, small }: Frame): number {
  const days = to - from;
  return days > (small ? 60 : 260) ? 4 : days > (small ? 30 : 100) ? 2 : 1;
}

/** Weeks across, or days when only a fortnight is shown. */
export function Head({ frame }: { frame: Frame }) {
  const { from, to, x, perDay, byDay } = frame;
  const marks: { day: number; at: number; text: string }[] = [];
  for (let d = from; byDay && d < to; d++)
    marks.push({ day: d, at: x(d) + perDay / 2, text: t("day-n", { day: d }) });
  for (let w = Math.ceil(from / 7); !byDay && w * 7 <= to; w += weekStep(frame))
    marks.push({ day: w * 7, at: x(w * 7), text: String(w) });
  return (
    <>
      {marks.map((m) => (
        <g key={m.day}>
          <text
            x={m.at}
            y={19}
            fontSize="12.5"
            textAnchor="middle"
            fill={ink.soft}
          >
            {m.text}
          </text>
          <line x1={x(m.day)} x2={x(m.day)} y1={25} y2={30} stroke={ink.soft} />
        </g>
      ))}
      <text x={12} y={19} fontSize="12.5" fill={ink.soft}>
        {byDay ? "" : t("chart-weeks")}
      </text>
    </>
  );
}
