import { ink } from "../../app/theme";
import { nameOf, t } from "../../app/wording";
import { fit } from "./fit";
import type { Frame, View } from "./frame";
import { Label } from "./Label";

const SIZES = [13, 12, 11] as const;

/** The phases as blocks; one that is only expected is drawn with a broken line. */
export function Phases({
  view,
  frame: { x, shows },
  y,
}: {
  view: View;
  frame: Frame;
  y: number;
}) {
  return (
    <>
      <Label text={t("chart-phases")} y={y + 18} strong />
      {view.phases
        .filter((p) => shows(p.from_day, p.to_day))
        .map((p) => {
          const x0 = x(p.from_day),
            w = Math.max(2, x(p.to_day) - x0),
            now = p.number === view.phase;
          const name = `${p.number} ${nameOf("phase", p.id)}`;
          // A little smaller rather than cut short.
          const size =
            SIZES.find((s) => fit(name, w - 10, s, 600) === name) ?? SIZES[0];
          return (
            <g key={p.id}>
              <rect
                x={x0 + 1}
                y={y}
                width={w - 2}
                height={26}
                fill={now ? ink.petrol : p.projected ? "none" : "var(--bars)"}
                stroke={now ? ink.petrol : "var(--edge)"}
                strokeDasharray={p.projected ? "4 3" : undefined}
                rx="2"
              />
              <text
                x={x0 + 7}
                y={y + 18}
                fontSize={size}
                fontWeight="600"
                fill={now ? "var(--on)" : ink.text}
              >
                {fit(name, w - 10, size, 600) ||
                  fit(String(p.number), w - 4, size, 600)}
              </text>
            </g>
          );
        })}
    </>
  );
}
