import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { t } from "../app/wording";

export interface ScoreLineProps {
  view: Schemas["InstrumentView"];
  width: number;
  label: string;
}

const number = (value: number) =>
  String(Math.round(value * 10) / 10).replace("-", "−");

/** All sheets of one score on its own scale: what is within error of the last but one lies in the band. */
export function ScoreLine({ view, width, label }: ScoreLineProps) {
  const { range, more_is_better } = view.instrument;
  const [least, greatest] = [range[0] ?? 0, range[1] ?? 100];
  const x = (v: number) =>
    16 +
    ((width - 32) * (Math.min(greatest, Math.max(least, v)) - least)) /
      (greatest - least);
  const scored = view.sheets.filter((s) => s.scored);
  const last = scored.at(-1)?.scored?.value;
  const before = scored.at(-2)?.scored?.value;
  const ticks = Array.from(
    { length: 5 },
    (_, i) => least + ((greatest - least) * i) / 4,
  );
  const y = 46;
  return (
    <svg
      viewBox={`0 0 ${width} 92`}
      role="img"
      aria-label={label}
      className="drawn fill"
    >
      {before !== undefined && view.detectable != null && (
        <rect
          x={x(before - view.detectable)}
          width={x(before + view.detectable) - x(before - view.detectable)}
          y={y - 17}
          height="34"
          fill="var(--sunk)"
        />
      )}
      <path
        d={`M${x(least)} ${y}H${x(greatest)}`}
        stroke={ink.text}
        strokeWidth="1.6"
      />
      {ticks.map((v) => (
        <g key={v}>
          <path d={`M${x(v)} ${y}v7`} stroke={ink.text} strokeWidth="1.4" />
          <text
            x={x(v)}
            y={y + 24}
            fontSize="12.5"
            textAnchor="middle"
            fill={ink.soft}
          >
            {number(v)}
          </text>
        </g>
      ))}
      <path
        d={
          more_is_better
            ? `M${width - 16} ${y - 5}l9 5-9 5Z`
            : `M16 ${y - 5}l-9 5 9 5Z`
        }
        fill={ink.text}
      />
      <text
        x={more_is_better ? width - 8 : 8}
        y={y + 42}
        fontSize="12.5"
        textAnchor={more_is_better ? "end" : "start"}
        fill={ink.soft}
      >
        {t("scores-better")}
      </text>
      {scored.slice(0, -1).map((s) => (
        <circle
          key={s.id}
          cx={x(s.scored?.value ?? 0)}
          cy={y}
          r="5"
          fill={ink.paper}
          stroke={ink.petrol}
          strokeWidth="2"
        />
      ))}
      {last !== undefined &&
        before !== undefined &&
        Math.abs(x(last) - x(before)) > 14 && (
          <path
            d={`M${x(before) + Math.sign(last - before) * 8} ${y - 10}H${x(last) - Math.sign(last - before) * 8}`}
            stroke={ink.petrol}
            strokeWidth="1.6"
            strokeDasharray="3 3"
          />
        )}
      {last !== undefined && (
        <>
          <circle cx={x(last)} cy={y} r="8" fill={ink.petrol} />
          <text
            x={Math.min(width - 24, Math.max(24, x(last)))}
            y={y - 20}
            fontSize="19"
            fontWeight="650"
            textAnchor="middle"
            fill={ink.text}
          >
            {number(last)}
          </text>
        </>
      )}
    </svg>
  );
}
