import type { PointerEvent as ReactPointerEvent } from "react";
import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { nameOf, t } from "../app/wording";

type View = Schemas["LoadView"];
type Point = Schemas["MomentPoint"];

export interface LoadCurveProps {
  view: View;
  /** A set-up that was held to compare with. */
  held?: View | undefined;
  /** Where along the path the cursor stands, 0 to 100. */
  at: number;
  onAt: (at: number) => void;
  width: number;
  height: number;
  label: string;
}

/** The three clinical parts: which group supplies them upward and downward, and how their line is drawn. */
const PARTS = [
  {
    key: "raising_nm",
    up: "raisers",
    down: "lowerers",
    dash: "none",
    color: ink.text,
  },
  {
    key: "rotation_nm",
    up: "external_rotators",
    down: "internal_rotators",
    dash: "6 3",
    color: "var(--saffron-deep)",
  },
  {
    key: "across_nm",
    up: "across_forward",
    down: "across_back",
    dash: "2 3",
    color: ink.soft,
  },
] as const;

const angleOf = (view: View, p: Point) =>
  view.along === "elevation"
    ? p.elevation_deg
    : view.along === "rotation"
      ? p.rotation_deg
      : view.along === "plane"
        ? p.plane_deg
        : p.at * 100;

/**
 * Moment along the path: the whole as a filled line, its parts thin, the held set-up as a ghost; drag to move
 * along.
 */
export function LoadCurve({
  view,
  held,
  at,
  onAt,
  width,
  height,
  label,
}: LoadCurveProps) {
  const points = view.curve.points;
  const all = [...points, ...(held?.curve.points ?? [])];
  const least = Math.min(
    0,
    ...points.flatMap((p) => PARTS.map((part) => p.supply[part.key])),
  );
  const most = Math.max(1, ...all.map((p) => p.total_nm)) * 1.1;
  const low = least < -0.3 ? least * 1.12 : 0;
  const left = 46,
    right = width - 14,
    top = 16,
    bottom = height - 40;
  const x = (i: number) => left + ((right - left) * i) / (points.length - 1);
  const y = (nm: number) =>
    bottom - ((bottom - top) * (nm - low)) / (most - low);
  const step =
    most - low > 40
      ? 10
      : most - low > 16
        ? 5
        : most - low > 6
          ? 2
          : most - low > 2.4
            ? 1
            : 0.5;
  const grid = Array.from(
    { length: Math.floor(most / step) - Math.ceil(low / step) + 1 },
    (_, i) => (Math.ceil(low / step) + i) * step,
  );
  const line = (of: (p: Point) => number, from: Point[] = points) =>
    from
      .map(
        (p, i) =>
          `${i === 0 ? "M" : "L"}${x(i).toFixed(1)} ${y(of(p)).toFixed(1)}`,
      )
      .join("");
  const here = points[at] ?? points[0];
  const peak = points[view.curve.peak_at];
  const drag = (e: ReactPointerEvent<SVGSVGElement>) => {
    if (e.type === "pointermove" && e.buttons === 0) return;
    const box = e.currentTarget.getBoundingClientRect();
    const px = ((e.clientX - box.left) / box.width) * width;
    onAt(
      Math.round(
        Math.min(1, Math.max(0, (px - left) / (right - left))) *
          (points.length - 1),
      ),
    );
  };
  if (!here || !peak) return null;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      onPointerDown={drag}
      onPointerMove={drag}
      className="drawn fill slides"
    >
      {grid.map((nm) => (
        <g key={nm}>
          <path
            d={`M${left} ${y(nm)}H${right}`}
            stroke={nm === 0 ? ink.text : ink.line}
            strokeWidth={nm === 0 ? 1.4 : 1}
          />
          <text
            x={left - 7}
            y={y(nm) + 4}
            fontSize="12.5"
            textAnchor="end"
            fill={ink.soft}
          >
            {String(nm).replace("-", "−")}
          </text>
        </g>
      ))}
      <text x={left} y={11} fontSize="12.5" fill={ink.soft}>
        N·m
      </text>
      {held && (
        <path
          d={line((p) => p.total_nm, held.curve.points)}
          fill="none"
          stroke={ink.saffron}
          strokeWidth="2.4"
          strokeDasharray="8 5"
        />
      )}
      <path
        d={`${line((p) => p.total_nm)}L${x(points.length - 1)} ${y(0)}L${x(0)} ${y(0)}Z`}
        fill={ink.petrolPale}
        opacity="0.75"
      />
      {PARTS.filter((part) =>
        points.some((p) => Math.abs(p.supply[part.key]) > 0.05),
      ).map((part) => (
        <path
          key={part.key}
          d={line((p) => p.supply[part.key])}
          fill="none"
          stroke={part.color}
          strokeWidth="1.5"
          strokeDasharray={part.dash}
        />
      ))}
      <path
        d={line((p) => p.total_nm)}
        fill="none"
        stroke={ink.petrol}
        strokeWidth="3"
        strokeLinejoin="round"
      />
      <path
        d={`M${x(view.curve.peak_at)} ${y(peak.total_nm) - 4}l-5-8h10Z`}
        fill={ink.text}
      />
      <path
        d={`M${x(at)} ${top}V${bottom}`}
        stroke={ink.brick}
        strokeWidth="1.6"
      />
      <circle
        cx={x(at)}
        cy={y(here.total_nm)}
        r="6"
        fill={ink.paper}
        stroke={ink.brick}
        strokeWidth="2.6"
      />
      {[0, 25, 50, 75, 100].map((i) => {
        const p = points[i];
        return (
          p && (
            <text
              key={i}
              x={x(i)}
              y={bottom + 17}
              fontSize="12.5"
              textAnchor={i === 0 ? "start" : i === 100 ? "end" : "middle"}
              fill={ink.soft}
            >
              {Math.round(angleOf(view, p))}
              {view.along === "elbow" ? " %" : "°"}
            </text>
          )
        );
      })}
      <text
        x={(left + right) / 2}
        y={bottom + 34}
        fontSize="12.5"
        textAnchor="middle"
        fill={ink.soft}
      >
        {t(`along-${view.along}`)}
      </text>
    </svg>
  );
}

/** The parts at the cursor, in words: which group supplies how much. */
export function Supplies({ point }: { point: Point }) {
  return (
    <table className="supplies">
      <tbody>
        {PARTS.map((part) => {
          const nm = point.supply[part.key];
          return (
            <tr key={part.key} className={Math.abs(nm) < 0.05 ? "soft" : ""}>
              <td>
                <svg width="30" height="8" aria-hidden="true">
                  <path
                    d="M0 4H30"
                    stroke={part.color}
                    strokeWidth="2"
                    strokeDasharray={part.dash}
                  />
                </svg>
              </td>
              <td>
                {Math.abs(nm) < 0.05
                  ? `${nameOf("supply", part.up)}, ${nameOf("supply", part.down)}`
                  : nameOf("supply", nm > 0 ? part.up : part.down)}
              </td>
              <td className="num">
                <b>{Math.abs(nm).toFixed(1)}</b> N·m
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
