import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { t } from "../app/wording";
import { StopMark } from "./Marks";
import { turn, valueAt } from "./turn";
import { useTurned } from "./useTurned";

const CX = 130,
  CY = 100,
  R = 76;

function at(deg: number, r: number): [number, number] {
  const a = (deg * Math.PI) / 180;
  return [CX + r * Math.cos(a), CY + r * Math.sin(a)];
}
function arc(from: number, to: number, r: number): string {
  const [x0, y0] = at(from, r),
    [x1, y1] = at(to, r);
  const big = Math.abs(to - from) > 180 ? 1 : 0;
  return `M${x0.toFixed(1)} ${y0.toFixed(1)}A${r} ${r} 0 ${big} ${to > from ? 1 : 0} ${x1.toFixed(1)} ${y1.toFixed(1)}`;
}

export interface DialProps {
  dial: Schemas["Dial"];
  which: "operated" | "other";
  /** What is being typed, before it is kept. */
  typed?: string | undefined;
  label: string;
  /** Called with the value under the finger while it is dragged along the arc. */
  onTurn?: ((value: number) => void) | undefined;
}

/**
 * One movement as a dial: measurement, ghost of the one before, the other side, today's ceiling as a hatched
 * wedge, why it stopped.
 */
export function Dial({ dial, which, typed, label, onTurn }: DialProps) {
  const side = dial[which];
  const deg = turn(dial.quantity, dial.min, dial.max);
  const mirrored = side.side === "left";
  const typedValue =
    typed !== undefined && typed !== "" && typed !== "-"
      ? Number(typed)
      : undefined;
  const inRange = (v: number) => v >= dial.min && v <= dial.max;
  const value =
    typedValue !== undefined && inRange(typedValue)
      ? typedValue
      : side.last?.measurement.value;
  const zero = Math.max(dial.min, Math.min(dial.max, 0));
  const ceiling =
    which === "operated" && dial.ceiling.ceiling.kind === "up_to"
      ? dial.ceiling.ceiling.value
      : undefined;
  const unit = dial.unit === "deg" ? "°" : "";
  const id = `${dial.quantity}-${which}`;
  const shown =
    typed !== undefined && typed !== ""
      ? typed
      : (side.last?.measurement.value.toString() ?? "–");
  const over = value !== undefined && ceiling !== undefined && value > ceiling;
  const hand = useTurned(
    (x, y) =>
      valueAt(dial, Math.atan2(y - CY, (mirrored ? 2 * CX - x : x) - CX)),
    onTurn,
  );
  return (
    <svg viewBox="0 0 260 200" role="img" aria-label={label} {...hand}>
      <defs>
        <pattern
          id={`wedge-${id}`}
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V6" stroke={ink.brick} strokeWidth="2" />
        </pattern>
        <pattern
          id={`bar-${id}`}
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(-45)"
        >
          <path d="M0 0V7" stroke="var(--edge)" strokeWidth="1.6" />
        </pattern>
      </defs>
      <g
        transform={mirrored ? `translate(${2 * CX} 0) scale(-1 1)` : undefined}
      >
        <path
          d={arc(deg(dial.min), deg(dial.max), R)}
          fill="none"
          stroke={side.barred ? `url(#bar-${id})` : ink.line}
          strokeWidth="15"
        />
        {ceiling !== undefined && (
          <>
            <path
              d={`${arc(deg(ceiling), deg(dial.max), R + 13)}L${at(
                deg(dial.max),
                R - 20,
              )
                .map((n) => n.toFixed(1))
                .join(
                  " ",
                )}${arc(deg(dial.max), deg(ceiling), R - 20).replace("M", "L")}Z`}
              fill={`url(#wedge-${id})`}
              opacity="0.75"
            />
            <path
              d={`M${at(deg(ceiling), R - 22).join(" ")}L${at(deg(ceiling), R + 17).join(" ")}`}
              stroke={ink.brick}
              strokeWidth="3"
            />
          </>
        )}
        {value !== undefined && (
          <path
            d={arc(deg(zero), deg(value), R)}
            fill="none"
            stroke={over ? ink.brick : ink.petrol}
            strokeWidth={dial.mode === "passive" ? 15 : 9}
            strokeDasharray={dial.mode === "passive" ? undefined : "11 2.5"}
          />
        )}
        {side.previous && (
          <path
            d={arc(deg(zero), deg(side.previous.measurement.value), R - 13)}
            fill="none"
            stroke={ink.petrol}
            strokeWidth="2"
            strokeDasharray="3 3"
          />
        )}
        {which === "operated" && dial.other.last && (
          <path
            d={arc(deg(zero), deg(dial.other.last.measurement.value), R + 14)}
            fill="none"
            stroke={ink.soft}
            strokeWidth="2.5"
          />
        )}
        {dial.floor != null && which === "operated" && (
          <path
            d={`M${at(deg(dial.floor), R - 11).join(" ")}L${at(deg(dial.floor), R + 10).join(" ")}`}
            stroke={ink.text}
            strokeWidth="2.4"
            strokeDasharray="4 2.5"
          />
        )}
        <path
          d={`M${at(deg(dial.reference), R + 8).join(" ")}L${at(deg(dial.reference), R + 15).join(" ")}`}
          stroke={ink.soft}
          strokeWidth="2"
        />
        {side.last?.measurement.arc && typedValue === undefined && (
          <path
            d={arc(
              deg(side.last.measurement.arc.from),
              deg(side.last.measurement.arc.to),
              R + 10,
            )}
            fill="none"
            stroke={ink.brick}
            strokeWidth="5"
            strokeDasharray="3 2"
          />
        )}
        {side.last && typedValue === undefined && (
          <g
            transform={`translate(${at(deg(side.last.measurement.value), R).join(" ")})`}
          >
            <StopMark stop={side.last.measurement.stop} />
          </g>
        )}
      </g>
      <text
        x={
          CX + (dial.quantity.includes("elevation") ? (mirrored ? 32 : -32) : 0)
        }
        y={CY + (dial.quantity.includes("elevation") ? 12 : 22)}
        textAnchor="middle"
        fontSize="38"
        fontWeight="600"
        fill={over ? ink.brick : side.barred ? ink.soft : ink.text}
      >
        {side.barred ? t("barred") : `${shown}${shown === "–" ? "" : unit}`}
      </text>
    </svg>
  );
}
