import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { t } from "../app/wording";

export interface TraceProps {
  samples: [number, number][];
  measurement?: Schemas["TraceMeasurement"] | undefined;
  /** The mean of earlier trials, as a line to push against. */
  aim?: number | null | undefined;
  width: number;
  height: number;
  label: string;
}

/** Force over time while it is measured, with its plateau once it has been read. */
export function Trace({
  samples,
  measurement,
  aim,
  width,
  height,
  label,
}: TraceProps) {
  const last = samples.at(-1)?.[0] ?? 0;
  const seconds = Math.max(6, Math.ceil(last));
  const top = Math.max(60, aim ?? 0, ...samples.map((s) => s[1])) * 1.12;
  const grid = top > 300 ? 100 : top > 120 ? 50 : 20;
  const x = (s: number) => 40 + ((width - 52) * s) / seconds;
  const y = (n: number) => height - 24 - ((height - 36) * Math.max(0, n)) / top;
  const path = samples
    .map(
      ([s, n], i) =>
        `${i === 0 ? "M" : "L"}${x(s).toFixed(1)} ${y(n).toFixed(1)}`,
    )
    .join("");
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      className="drawn fill"
    >
      {Array.from(
        { length: Math.floor(top / grid) + 1 },
        (_, i) => i * grid,
      ).map((n) => (
        <g key={n}>
          <path d={`M40 ${y(n)}H${width - 12}`} stroke={ink.line} />
          <text
            x="34"
            y={y(n) + 4}
            fontSize="12"
            textAnchor="end"
            fill={ink.soft}
          >
            {n}
          </text>
        </g>
      ))}
      {Array.from({ length: seconds + 1 }, (_, s) => (
        <text
          key={s}
          x={x(s)}
          y={height - 6}
          fontSize="12"
          textAnchor="middle"
          fill={ink.soft}
        >
          {s}
        </text>
      ))}
      <text x="40" y="12" fontSize="12" fill={ink.soft}>
        {t("newtons-seconds")}
      </text>
      {aim != null && (
        <>
          <path
            d={`M40 ${y(aim)}H${width - 12}`}
            stroke={ink.saffron}
            strokeWidth="2"
            strokeDasharray="6 4"
          />
          <text
            x={width - 14}
            y={y(aim) - 5}
            fontSize="12"
            textAnchor="end"
            fill={ink.text}
          >
            {t("mean-so-far")}
          </text>
        </>
      )}
      {measurement && measurement.faults.length === 0 && (
        <path
          d={`M${x(0)} ${y(measurement.mean_n)}H${width - 12}`}
          stroke={ink.petrol}
          strokeWidth="1.4"
          strokeDasharray="2 3"
        />
      )}
      <path
        d={path}
        fill="none"
        stroke={
          measurement && measurement.faults.length > 0 ? ink.brick : ink.petrol
        }
        strokeWidth="2.2"
        strokeLinejoin="round"
      />
      {measurement && (
        <circle
          cx={x(
            samples.reduce(
              (best, s) =>
                Math.abs(s[1] - measurement.peak_n) <
                Math.abs(best[1] - measurement.peak_n)
                  ? s
                  : best,
              samples[0] ?? [0, 0],
            )[0],
          )}
          cy={y(measurement.peak_n)}
          r="4.5"
          fill={ink.paper}
          stroke={ink.text}
          strokeWidth="2"
        />
      )}
    </svg>
  );
}
