import type { Schemas } from "../app/client";
import { ink } from "../app/theme";

export interface PullCurveProps {
  level: Schemas["ElasticLevel"];
  /** Points being typed, not kept yet. */
  typed: Schemas["PullPoint"][];
  width: number;
  height: number;
  label: string;
}

/** Tension over elongation: the fitted law with the band of its error, the measured points on it. */
export function PullCurve({
  level,
  typed,
  width,
  height,
  label,
}: PullCurveProps) {
  const left = 42,
    right = width - 12,
    top = 14,
    bottom = height - 30;
  const most =
    Math.max(
      10,
      ...level.drawn.map((d) => (d[1] ?? 0) + (d[2] ?? 0)),
      ...typed.map((p) => p.force_n),
    ) * 1.08;
  const x = (pct: number) => left + ((right - left) * pct) / 250;
  const y = (n: number) => bottom - ((bottom - top) * Math.max(0, n)) / most;
  const grid = most > 80 ? 20 : most > 30 ? 10 : 5;
  const line = (of: (d: number[]) => number, rows = level.drawn) =>
    rows
      .map(
        (d, i) =>
          `${i === 0 ? "M" : "L"}${x(d[0] ?? 0).toFixed(1)} ${y(of(d)).toFixed(1)}`,
      )
      .join("");
  const above = line((d) => (d[1] ?? 0) + (d[2] ?? 0));
  const below = line(
    (d) => (d[1] ?? 0) - (d[2] ?? 0),
    [...level.drawn].reverse(),
  );
  const band = `${above}${below.replace("M", "L")}Z`;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      className="drawn fill"
    >
      {Array.from(
        { length: Math.floor(most / grid) + 1 },
        (_, i) => i * grid,
      ).map((n) => (
        <g key={n}>
          <path d={`M${left} ${y(n)}H${right}`} stroke={ink.line} />
          <text
            x={left - 6}
            y={y(n) + 4}
            fontSize="12.5"
            textAnchor="end"
            fill={ink.soft}
          >
            {n}
          </text>
        </g>
      ))}
      {[0, 50, 100, 150, 200, 250].map((pct) => (
        <text
          key={pct}
          x={x(pct)}
          y={bottom + 17}
          fontSize="12.5"
          textAnchor={pct === 250 ? "end" : "middle"}
          fill={ink.soft}
        >
          {pct}
          {pct === 250 ? " %" : ""}
        </text>
      ))}
      <text x={left} y={11} fontSize="12.5" fill={ink.soft}>
        N
      </text>
      {level.fit && <path d={band} fill={ink.petrolPale} />}
      <path
        d={`M${x(25)} ${top}V${bottom}`}
        stroke={ink.soft}
        strokeDasharray="2 4"
      />
      <path
        d={line((d) => d[1] ?? 0)}
        fill="none"
        stroke={ink.petrol}
        strokeWidth="2.6"
        strokeDasharray={level.fit ? "none" : "7 5"}
      />
      {level.points.map((p) => (
        <circle
          key={p.elongation_pct}
          cx={x(p.elongation_pct)}
          cy={y(p.force_n)}
          r="4.5"
          fill={ink.paper}
          stroke={ink.petrol}
          strokeWidth="2"
        />
      ))}
      {typed
        .filter((p) => Number.isFinite(p.elongation_pct + p.force_n))
        .map((p, i) => (
          <path
            key={i}
            d={`M${x(p.elongation_pct)} ${y(p.force_n) - 6}l6 6-6 6-6-6Z`}
            fill={ink.saffron}
            stroke={ink.text}
            strokeWidth="1.2"
          />
        ))}
    </svg>
  );
}
