import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { t } from "../app/wording";

export interface CorridorProps {
  view: Schemas["CorridorView"];
  today: number;
  /** First and last day shown. */
  from: number;
  to: number;
  width: number;
  height: number;
  /** Without axes and words, for lists. */
  tiny?: boolean;
  /** Without week labels, where another axis stands above. */
  weekless?: boolean;
  label: string;
}

/** Days across, degrees up: the ceiling and the floor as steps, measurements with their error, today. */
export function Corridor({
  view,
  today,
  from,
  to,
  width,
  height,
  tiny = false,
  weekless = false,
  label,
}: CorridorProps) {
  const scale = scaleOf(
    view,
    { from, to, width, height },
    tiny
      ? { left: 1, right: 1, top: 2, bottom: 2 }
      : { left: 34, right: 8, top: 8, bottom: weekless ? 6 : 20 },
  );
  const { x, y, left, right, top, bottom } = scale;
  const id = `${view.quantity}-${width}-${from}`;
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      className={tiny || weekless ? "" : "fits"}
    >
      <defs>
        <pattern
          id={`none-${id}`}
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(-45)"
        >
          <path d="M0 0V6" stroke="var(--bars)" strokeWidth="1.5" />
        </pattern>
        <pattern
          id={`over-${id}`}
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V6" stroke={ink.brick} strokeWidth="1.1" opacity=".6" />
        </pattern>
      </defs>
      {!tiny && <Axes scale={scale} view={view} weekless={weekless} />}
      <Bands view={view} scale={scale} id={id} />
      {view.other_side != null && !tiny && (
        <line
          x1={left}
          x2={width - right}
          y1={y(view.other_side)}
          y2={y(view.other_side)}
          stroke={ink.soft}
          strokeWidth="1.2"
          strokeDasharray="1 3"
        />
      )}
      {view.trend && !tiny && (
        <Fan
          trend={view.trend}
          bands={view.bands}
          x={x}
          y={y}
          to={Math.min(to, Math.max(view.trend.to_day, today) + 42)}
        />
      )}
      {today >= from && today <= to && (
        <line
          x1={x(today)}
          x2={x(today)}
          y1={top}
          y2={height - bottom}
          stroke={ink.text}
          strokeWidth={tiny ? 1 : 1.6}
        />
      )}
      <Dots view={view} scale={scale} tiny={tiny} />
    </svg>
  );
}

/** Where days and values lie. */
interface Scale {
  from: number;
  to: number;
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
  low: number;
  high: number;
  x: (day: number) => number;
  y: (value: number) => number;
}

function scaleOf(
  view: Schemas["CorridorView"],
  sheet: { from: number; to: number; width: number; height: number },
  edge: { left: number; right: number; top: number; bottom: number },
): Scale {
  const { from, to, width, height } = sheet;
  const { left, right, top, bottom } = edge;
  const values = view.measurements.map((r) => r.value);
  const tops = view.bands.flatMap((b) =>
    b.ceiling.kind === "up_to" ? [b.ceiling.value] : [],
  );
  const low = Math.min(0, ...values);
  const high = Math.max(view.reference, ...tops, ...values) * 1.04;
  return {
    ...sheet,
    ...edge,
    low,
    high,
    x: (day) =>
      left +
      ((Math.min(Math.max(day, from), to) - from) / (to - from)) *
        (width - left - right),
    y: (value) =>
      height -
      bottom -
      ((value - low) / (high - low)) * (height - top - bottom),
  };
}

/** Values up the side, weeks along the foot. */
function Axes({
  scale: { from, to, width, height, left, right, low, high, x, y },
  view,
  weekless,
}: {
  scale: Scale;
  view: Schemas["CorridorView"];
  weekless: boolean;
}) {
  const step = high > 120 ? 60 : high > 40 ? 20 : 2;
  const ticks = [];
  for (let v = Math.ceil(low / step) * step; v <= high; v += step)
    ticks.push(v);
  const weeks = [];
  for (let w = Math.ceil(from / 7); w * 7 <= to; w += to - from > 70 ? 4 : 1)
    weeks.push(w);
  return (
    <>
      {ticks.map((v) => (
        <g key={v}>
          <line
            x1={left}
            x2={width - right}
            y1={y(v)}
            y2={y(v)}
            stroke={ink.line}
          />
          <text
            x={left - 5}
            y={y(v) + 4}
            fontSize="11.5"
            textAnchor="end"
            fill={ink.soft}
          >
            {v}
            {view.unit === "deg" ? "°" : ""}
          </text>
        </g>
      ))}
      {!weekless &&
        weeks.map((w) => (
          <text
            key={w}
            x={x(w * 7)}
            y={height - 5}
            fontSize="11.5"
            textAnchor="middle"
            fill={ink.soft}
          >
            {t("week-n", { week: w })}
          </text>
        ))}
    </>
  );
}

/** What is allowed from day to day: barred, up to the ceiling, at least the floor. */
function Bands({
  view,
  scale: { from, to, height, top, bottom, low, high, x, y },
  id,
}: {
  view: Schemas["CorridorView"];
  scale: Scale;
  id: string;
}) {
  return (
    <>
      {view.bands
        .filter((b) => b.to_day > from && b.from_day < to)
        .map((b) => {
          const x0 = x(b.from_day),
            x1 = x(b.to_day);
          if (b.ceiling.kind === "none_allowed")
            return (
              <rect
                key={b.from_day}
                x={x0}
                y={top}
                width={x1 - x0}
                height={height - top - bottom}
                fill={`url(#none-${id})`}
              />
            );
          const ceiling = b.ceiling.kind === "up_to" ? b.ceiling.value : high;
          return (
            <g key={b.from_day}>
              <rect
                x={x0}
                y={y(ceiling)}
                width={x1 - x0}
                height={Math.max(0, y(b.floor ?? low) - y(ceiling))}
                fill={ink.petrolPale}
                opacity={b.provisional ? 0.55 : 0.95}
              />
              {b.ceiling.kind === "up_to" && (
                <>
                  <rect
                    x={x0}
                    y={top}
                    width={x1 - x0}
                    height={Math.max(0, y(ceiling) - top)}
                    fill={`url(#over-${id})`}
                    opacity=".5"
                  />
                  <line
                    x1={x0}
                    x2={x1}
                    y1={y(ceiling)}
                    y2={y(ceiling)}
                    stroke={ink.brick}
                    strokeWidth={b.surgeon ? 3 : 1.8}
                    strokeDasharray={b.provisional ? "4 3" : undefined}
                  />
                </>
              )}
              {b.floor != null && (
                <line
                  x1={x0}
                  x2={x1}
                  y1={y(b.floor)}
                  y2={y(b.floor)}
                  stroke={ink.text}
                  strokeWidth="1.4"
                  strokeDasharray="5 3"
                />
              )}
            </g>
          );
        })}
    </>
  );
}

/** Measurements with their error; a triangle over the ceiling, a cross at it. */
function Dots({
  view,
  scale: { from, to, x, y },
  tiny,
}: {
  view: Schemas["CorridorView"];
  scale: Scale;
  tiny: boolean;
}) {
  return (
    <>
      {view.measurements
        .filter((r) => r.day >= from && r.day <= to)
        .map((r, i) => (
          <g key={i} transform={`translate(${x(r.day)} ${y(r.value)})`}>
            {!tiny && (
              <line
                y1={y(r.value + view.error) - y(r.value)}
                y2={y(r.value - view.error) - y(r.value)}
                stroke={r.over_ceiling ? ink.brick : ink.petrol}
                strokeWidth="1.3"
              />
            )}
            {r.over_ceiling ? (
              <path d="M0-5 5 4H-5Z" fill={ink.brick} />
            ) : r.at_limit ? (
              <path d="M-4 0H4M0-5V0" stroke={ink.petrol} strokeWidth="2.4" />
            ) : (
              <circle r={tiny ? 2.4 : 3.8} fill={ink.petrol} />
            )}
          </g>
        ))}
    </>
  );
}

/**
 * The line through the measurements, and where it may go: 80 of 100 such lines lie in the fan. It ends at the
 * other side.
 */
function Fan({
  trend,
  bands,
  x,
  y,
  to,
}: {
  trend: Schemas["Trend"];
  bands: Schemas["Band"][];
  x: (day: number) => number;
  y: (value: number) => number;
  to: number;
}) {
  // Never drawn where the ceiling forbids it: a line is not a permission.
  const most = (day: number) => {
    const c = bands.find((b) => b.from_day <= day && day < b.to_day)?.ceiling;
    return c?.kind === "up_to" ? Math.min(trend.cap, c.value) : trend.cap;
  };
  const line = Array.from(
    { length: Math.max(0, to - trend.to_day) + 1 },
    (_, i) => trend.to_day + i,
  ).map((day) => {
    const value = trend.at_last + (trend.per_week / 7) * (day - trend.to_day);
    return `${x(day)} ${y(Math.min(most(day), value))}`;
  });
  const fan = trend.fan.filter((f) => f.day <= to);
  const edge = (end: "low" | "high") =>
    fan.map((f) => `${x(f.day)} ${y(Math.min(most(f.day), f[end]))}`);
  const first =
    trend.at_last + (trend.per_week / 7) * (trend.from_day - trend.to_day);
  return (
    <g className="fan">
      {fan.length > 1 && (
        <path
          d={`M${edge("high").join("L")}L${edge("low").reverse().join("L")}Z`}
          fill="var(--petrol)"
          opacity=".16"
        />
      )}
      <path
        d={`M${x(trend.from_day)} ${y(first)}L${line.join("L")}`}
        fill="none"
        stroke="var(--petrol)"
        strokeWidth="1.4"
        strokeDasharray="6 3"
      />
    </g>
  );
}
