import type { Schemas } from "../../app/client";
import { ink } from "../../app/theme";
import { nameOf, t } from "../../app/wording";
import type { Frame } from "./frame";
import { labelOf, NAME_SIZE } from "./labelOf";
import type { Pull } from "./usePull";

const tone: Record<string, string> = {
  settle: "var(--purpose-settle)",
  move: ink.petrol,
  control: "var(--purpose-move)",
  strengthen: "var(--purpose-control)",
  load: "var(--purpose-load)",
  return: ink.moss,
};

/** One exercise line: as thick as its repetitions a week, with what the check says of it. */
export function Segment({
  l,
  step,
  n,
  top,
  next,
  frame,
  on,
  marked,
  pull,
  onSelect,
}: {
  l: Schemas["LineView"];
  /** Its number: where its name does not fit. */
  n: number;
  /** Its turn on the ladder: every other one stands a little higher. */
  step: number;
  top: number;
  /** The day on which the next line of the ladder begins: until there the row is free for this one's name. */
  next: number | undefined;
  frame: Frame;
  on: boolean;
  marked: boolean;
  pull: Pull;
  onSelect: () => void;
}) {
  const { x, shows, small } = frame;
  const pulled = pull.drag?.line === l.line.id ? pull.drag : undefined;
  const first = l.line.from_day + (pulled && !pulled.end ? pulled.days : 0),
    last = l.line.to_day + (pulled?.days ?? 0);
  if (!shows(first, last)) return null;
  const x0 = x(first),
    x1 = Math.max(x0 + 4, x(last));
  const thick = Math.min(
    12,
    3 + 2.2 * Math.log2(1 + l.totals.weekly_repetitions / 40),
  );
  // A step up where the rung changes.
  const mid = top + 24 - (step % 2) * 4;
  const name = nameOf("exercise", l.line.exercise);
  const { text: label, whole } = labelOf(l, n, next, frame);
  const bad = l.verdict.status !== "allowed";

  return (
    <g
      className="chart-line"
      role="button"
      tabIndex={0}
      aria-pressed={on}
      aria-label={t("chart-line", {
        // What is read in the picture is what it is called by.
        name: whole ? name : `${n} ${name}`,
        from: l.line.from_day,
        to: l.line.to_day,
        verdict: bad ? t(`verdict-${l.verdict.status}`) : "",
      })}
      onClick={() => {
        if (!pull.drag?.days) onSelect();
      }}
      onPointerMove={pull.along}
      onPointerUp={pull.drop}
      onPointerCancel={pull.cancel}
      onKeyDown={(e) => {
        if (e.key === "Enter" || e.key === " ") {
          e.preventDefault();
          onSelect();
        }
      }}
    >
      <title>
        {t("chart-line", {
          name,
          from: l.line.from_day,
          to: l.line.to_day,
          verdict: "",
        })}
      </title>
      <rect
        className="hit"
        x={x0}
        y={top}
        width={x1 - x0}
        height={small ? 26 : 33}
        fill={marked ? ink.saffronPale : "transparent"}
        rx="3"
        onPointerDown={pull.begin(l.line.id, false)}
      />
      <rect
        x={x0}
        y={mid - thick / 2}
        width={Math.max(3, x1 - x0 - 2)}
        height={thick}
        rx={Math.min(3, thick / 2)}
        fill={tone[l.purpose] ?? ink.petrol}
      />
      {l.verdict.status === "blocked" && (
        <path
          d={`M${x0} ${mid - 9}V${mid + 9}`}
          stroke={ink.brick}
          strokeWidth="5"
        />
      )}
      {l.verdict.status === "caution" && (
        <path
          d={`M${x0 + 5} ${mid - 8}l6 8-6 8-6-8Z`}
          fill={ink.saffron}
          stroke={ink.text}
        />
      )}
      {pull.moves && (
        <rect
          x={x1 - 9}
          y={top}
          width="9"
          height="33"
          fill="transparent"
          className="slides"
          onPointerDown={pull.begin(l.line.id, true)}
        />
      )}
      {pulled && pulled.days !== 0 && (
        <text
          x={x1 + 5}
          y={mid + 4}
          fontSize="12"
          fontWeight="650"
          fill={ink.text}
        >
          {t("chart-pulled", { from: first, to: last })}
        </text>
      )}
      {l.line.by_hand && (
        <path
          d={`M${x0 + 1} ${mid + 9}h${Math.min(16, x1 - x0 - 3)}`}
          stroke={ink.text}
          strokeWidth="1.6"
          strokeDasharray="2 2"
        />
      )}
      {label && (
        <text
          x={x0 + 3}
          y={top + 11}
          fontSize={NAME_SIZE}
          fill={ink.text}
          stroke="var(--paper)"
          strokeWidth="4"
          strokeLinejoin="round"
          paintOrder="stroke"
          pointerEvents="none"
        >
          {label}
        </text>
      )}
    </g>
  );
}
