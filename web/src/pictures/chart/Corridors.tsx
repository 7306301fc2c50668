import { ink } from "../../app/theme";
import { capital, nameOf, t } from "../../app/wording";
import { Corridor } from "../Corridor";
import type { Frame, View } from "./frame";
import { Label } from "./Label";

/** Pixels of one corridor. */
const ROW = 88;

/** Raising the arm and turning it out: the two that a program is read by. */
function shown(view: View) {
  const raised =
    view.corridors.find((c) => c.quantity === "passive-elevation") ??
    view.corridors.find((c) => c.quantity.startsWith("active-elevation"));
  return view.corridors.filter(
    (c) => c === raised || c.quantity === "passive-er-side",
  );
}

/** Height of all of them. */
export function corridorsHeight(view: View): number {
  return shown(view).length * ROW;
}

/** Corridors as small multiples under the same weeks; a bracket where the surgeon's limit holds. */
export function Corridors({
  view,
  frame,
  y: top,
}: {
  view: View;
  frame: Frame;
  y: number;
}) {
  const { label, right, width, from, to, small, x, shows } = frame;
  const held = view.corridors.flatMap((c) =>
    c.bands.filter((b) => b.surgeon && shows(b.from_day, b.to_day)),
  );
  const a = x(Math.min(...held.map((b) => b.from_day))),
    b = x(Math.max(...held.map((h) => h.to_day)));
  return (
    <>
      {shown(view).map((c, row) => {
        const y = top + row * ROW;
        return (
          <g key={c.quantity}>
            <Label
              text={
                small
                  ? t(`tiny-${c.quantity}`)
                  : capital(nameOf("short", c.quantity))
              }
              y={y + 20}
            />
            <g transform={`translate(${label - 34} ${y})`}>
              <Corridor
                view={c}
                today={view.today.day}
                from={from}
                to={to}
                width={width - label - right + 34 + 8}
                height={84}
                weekless
                label={nameOf("quantity", c.quantity)}
              />
            </g>
          </g>
        );
      })}
      {held.length > 0 && (
        <g>
          <path
            d={`M${a} ${top + 3}V${top - 3}H${b}V${top + 3}`}
            fill="none"
            stroke={ink.brick}
            strokeWidth="2"
          />
          <text
            x={b + 6}
            y={top + 4}
            fontSize="12"
            fontWeight="600"
            fill={ink.brick}
          >
            {t("chart-surgeon")}
          </text>
        </g>
      )}
    </>
  );
}
