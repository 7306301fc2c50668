import { useId, useState } from "react";
import type { Schemas } from "../app/client";
import { capital, nameOf, t } from "../app/wording";
import { ink } from "../app/theme";
import { Corridor } from "./Corridor";

type View = Schemas["PlanChart"];
type Line = Schemas["LineView"];

const RIGHT = 16,
  PURPOSES = ["settle", "move", "control", "strengthen", "load", "return"];
const tone: Record<string, string> = {
  settle: "var(--purpose-settle)",
  move: ink.petrol,
  control: "var(--purpose-move)",
  strengthen: "var(--purpose-control)",
  load: "var(--purpose-load)",
  return: ink.moss,
};

export interface PlanChartProps {
  view: View;
  selected: string | undefined;
  onSelect: (line: string) => void;
  /** A line was moved or stretched by so many days at its beginning and its end. */
  onMove?: (line: string, from: number, to: number) => void;
  /** Days shown, from and to. */
  window: [number, number];
  width: number;
  /** Narrow: beside another one. */
  small?: boolean;
  /** Only ladders that run in the days shown. */
  tight?: boolean;
  /** Exercises that differ from the other one. */
  marked?: Set<string>;
}

/** The whole program on one sheet, weeks across. */
export function PlanChart({
  view,
  selected,
  onSelect,
  onMove,
  window: [from, to],
  width,
  small = false,
  tight = false,
  marked,
}: PlanChartProps) {
  const LABEL = small ? 118 : 226;
  const id = useId();
  // A line that is being dragged: by its body it moves, by its end it stretches; whole days.
  const [drag, setDrag] = useState<{
    line: string;
    x: number;
    end: boolean;
    days: number;
  }>();
  const perDay = (width - LABEL - RIGHT) / (to - from);
  const begin =
    (line: string, end: boolean) => (e: React.PointerEvent<SVGElement>) => {
      if (!onMove || e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      setDrag({ line, x: e.clientX, end, days: 0 });
    };
  const along = (e: React.PointerEvent) =>
    drag &&
    setDrag({ ...drag, days: Math.round((e.clientX - drag.x) / perDay) });
  const drop = () => {
    if (drag && drag.days !== 0)
      onMove?.(drag.line, drag.end ? 0 : drag.days, drag.days);
    setDrag(undefined);
  };
  const x = (day: number) =>
    LABEL +
    ((Math.min(Math.max(day, from), to) - from) / (to - from)) *
      (width - LABEL - RIGHT);
  const shows = (a: number, b: number) => b > from && a < to;
  let y = 30;
  const head: React.ReactNode[] = [];
  const weekStep =
    to - from > (small ? 60 : 260) ? 4 : to - from > (small ? 30 : 100) ? 2 : 1;
  const byDay = to - from <= 14;
  for (let d = from; byDay && d < to; d++) {
    head.push(
      <g key={`d${d}`}>
        <text
          x={x(d) + perDay / 2}
          y={19}
          fontSize="12.5"
          textAnchor="middle"
          fill={ink.soft}
        >
          {t("day-n", { day: d })}
        </text>
        <line x1={x(d)} x2={x(d)} y1={25} y2={30} stroke={ink.soft} />
      </g>,
    );
  }
  for (let w = Math.ceil(from / 7); !byDay && w * 7 <= to; w += weekStep) {
    head.push(
      <g key={`w${w}`}>
        <text
          x={x(w * 7)}
          y={19}
          fontSize="12.5"
          textAnchor="middle"
          fill={ink.soft}
        >
          {w}
        </text>
        <line x1={x(w * 7)} x2={x(w * 7)} y1={25} y2={30} stroke={ink.soft} />
      </g>,
    );
  }
  head.push(
    <text key="wk" x={12} y={19} fontSize="12.5" fill={ink.soft}>
      {byDay ? "" : t("chart-weeks")}
    </text>,
  );
  const rows: React.ReactNode[] = [];
  const label = (text: string, at: number, strong = false) => (
    <text
      key={`l${at}${text}`}
      x={12}
      y={at}
      fontSize={strong ? 14 : 13.5}
      fontWeight={strong ? 650 : 400}
      fill={strong ? ink.text : ink.soft}
    >
      {text}
    </text>
  );

  // Phases
  rows.push(label(t("chart-phases"), y + 18, true));
  for (const p of view.phases.filter((p) => shows(p.from_day, p.to_day))) {
    const x0 = x(p.from_day),
      w = Math.max(2, x(p.to_day) - x0),
      now = p.number === view.phase;
    rows.push(
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
        <clipPath id={`ph-${id}-${p.id}`}>
          <rect x={x0} y={y} width={w - 4} height={26} />
        </clipPath>
        <text
          x={x0 + 7}
          y={y + 18}
          fontSize="13"
          fontWeight="600"
          fill={now ? "var(--on)" : ink.text}
          clipPath={`url(#ph-${id}-${p.id})`}
        >
          {p.number} {nameOf("phase", p.id)}
        </text>
      </g>,
    );
  }
  y += 34;
  if (view.sling && from < view.sling.nights_until) {
    const s = view.sling;
    rows.push(label(t("chart-sling"), y + 12));
    if (shows(0, s.day_and_night_until))
      rows.push(
        <rect
          key="s1"
          x={x(0)}
          y={y + 2}
          width={x(s.day_and_night_until) - x(0)}
          height={12}
          fill={ink.text}
        />,
      );
    if (shows(s.day_and_night_until, s.nights_until))
      rows.push(
        <rect
          key="s2"
          x={x(s.day_and_night_until)}
          y={y + 2}
          width={x(s.nights_until) - x(s.day_and_night_until)}
          height={12}
          fill={`url(#nights-${id})`}
          stroke={ink.text}
        />,
      );
    rows.push(
      <text
        key="s3"
        x={x(s.nights_until) + 6}
        y={y + 12}
        fontSize="12"
        fill={ink.soft}
      >
        {from < s.nights_until ? t("chart-nights") : ""}
      </text>,
    );
    y += 20;
  }
  for (const p of small
    ? []
    : view.precautions
        .filter((p) => shows(p.from_day, p.to_day))
        .slice(0, 12)) {
    const x0 = x(p.from_day),
      x1 = x(p.to_day);
    rows.push(
      <g key={p.id}>
        <line
          x1={x0}
          x2={x1}
          y1={y + 8}
          y2={y + 8}
          stroke={ink.brick}
          strokeWidth="1.6"
        />
        <path
          d={`M${x1} ${y + 4}V${y + 12}`}
          stroke={ink.brick}
          strokeWidth="1.6"
        />
        {x1 + 300 < width ? (
          <text x={x1 + 6} y={y + 12} fontSize="11.8" fill={ink.text}>
            {nameOf("precaution", p.id)}
          </text>
        ) : x0 - LABEL > 250 ? (
          <text
            x={x0 - 6}
            y={y + 12}
            fontSize="11.8"
            textAnchor="end"
            fill={ink.text}
          >
            {nameOf("precaution", p.id)}
          </text>
        ) : (
          <>
            <rect
              x={x0 + (x1 - x0) / 2 - 6}
              y={y + 1}
              width={205}
              height="14"
              fill={ink.paper}
            />
            <text
              x={x0 + (x1 - x0) / 2}
              y={y + 12}
              fontSize="11.8"
              fill={ink.text}
            >
              {nameOf("precaution", p.id)}
            </text>
          </>
        )}
      </g>,
    );
    y += 15;
  }
  if (!small && view.precautions.some((p) => shows(p.from_day, p.to_day)))
    rows.push(
      label(
        t("chart-precautions"),
        y -
          Math.min(
            12,
            view.precautions.filter((p) => shows(p.from_day, p.to_day)).length,
          ) *
            15 +
          14,
      ),
    );
  y += small ? 10 : 24;
  // Corridors as small multiples
  const corridorTop = y;
  const raised =
    view.corridors.find((c) => c.quantity === "passive-elevation") ??
    view.corridors.find((c) => c.quantity.startsWith("active-elevation"));
  for (const c of view.corridors.filter(
    (c) => c === raised || c.quantity === "passive-er-side",
  )) {
    rows.push(
      <g key={c.quantity}>
        {label(
          small
            ? t(`tiny-${c.quantity}`)
            : capital(nameOf("short", c.quantity)),
          y + 20,
        )}
        <g transform={`translate(${LABEL - 34} ${y})`}>
          <Corridor
            view={c}
            today={view.today.day}
            from={from}
            to={to}
            width={width - LABEL - RIGHT + 34 + 8}
            height={84}
            weekless
            label={nameOf("quantity", c.quantity)}
          />
        </g>
      </g>,
    );
    y += 88;
  }
  const brackets = view.corridors.flatMap((c) =>
    c.bands.filter((b) => b.surgeon && shows(b.from_day, b.to_day)),
  );
  if (brackets.length > 0) {
    const a = x(Math.min(...brackets.map((b) => b.from_day))),
      b = x(Math.max(...brackets.map((b) => b.to_day)));
    rows.push(
      <g key="surgeon">
        <path
          d={`M${a} ${corridorTop + 3}V${corridorTop - 3}H${b}V${corridorTop + 3}`}
          fill="none"
          stroke={ink.brick}
          strokeWidth="2"
        />
        <text
          x={b + 6}
          y={corridorTop + 4}
          fontSize="12"
          fontWeight="600"
          fill={ink.brick}
        >
          {t("chart-surgeon")}
        </text>
      </g>,
    );
  }
  y += 22;
  // Exercise lines: one row a ladder, steps where the rung changes
  const linesTop = y;
  for (const purpose of PURPOSES) {
    const here = view.lines.filter(
      (l) =>
        l.purpose === purpose &&
        (!tight || shows(l.line.from_day, l.line.to_day)),
    );
    if (here.length === 0) continue;
    rows.push(label(nameOf("purpose", purpose), y + 28, true));
    const ladders = [...new Set(here.map((l) => l.ladder))];
    for (const ladder of ladders) {
      const steps = here
        .filter((l) => l.ladder === ladder)
        .sort((a, b) => a.line.from_day - b.line.from_day);
      rows.push(
        small ? null : (
          <text
            key={`t${purpose}${ladder}`}
            x={88}
            y={y + 28}
            fontSize="12.5"
            fill={ink.soft}
          >
            {nameOf("ladder", ladder)}
          </text>
        ),
      );
      steps.forEach((l, i) => rows.push(segment(l, i, y)));
      y += small ? 27 : 35;
    }
    y += 5;
  }
  function segment(l: Line, i: number, top: number) {
    const pulled = drag?.line === l.line.id ? drag : undefined;
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
    const mid = top + 24 - (i % 2) * 4;
    const name = nameOf("exercise", l.line.exercise);
    const bad = l.verdict.status !== "allowed";
    const on = selected === l.line.id;
    return (
      <g
        key={l.line.id}
        className="chart-line"
        role="button"
        tabIndex={0}
        aria-pressed={on}
        aria-label={t("chart-line", {
          name,
          from: l.line.from_day,
          to: l.line.to_day,
          verdict: bad ? t(`verdict-${l.verdict.status}`) : "",
        })}
        onClick={() => {
          if (!drag?.days) onSelect(l.line.id);
        }}
        onPointerMove={along}
        onPointerUp={drop}
        onPointerCancel={() => setDrag(undefined)}
        onKeyDown={(e) => {
          if (e.key === "Enter" || e.key === " ") {
            e.preventDefault();
            onSelect(l.line.id);
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
          fill={marked?.has(l.line.exercise) ? ink.saffronPale : "transparent"}
          rx="3"
          onPointerDown={begin(l.line.id, false)}
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
        {onMove && (
          <rect
            x={x1 - 9}
            y={top}
            width="9"
            height="33"
            fill="transparent"
            className="slides"
            onPointerDown={begin(l.line.id, true)}
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
        <clipPath id={`c-${id}-${l.line.id}`}>
          <rect x={x0} y={top - 4} width={x1 - x0 - 3} height={32} />
        </clipPath>
        {x1 - x0 > 46 && (
          <text
            x={x0 + 3}
            y={top + 11}
            fontSize="11.8"
            fill={ink.text}
            clipPath={`url(#c-${id}-${l.line.id})`}
            pointerEvents="none"
          >
            {name}
            {byDay
              ? ` · ${l.line.dose.sets} × ${l.line.dose.repetitions} · ${l.line.dose.times_per_day}/${t("day")}${l.line.dose.days_per_week < 7 ? `, ${t("days-a-week", { n: l.line.dose.days_per_week })}` : ""}`
              : ""}
          </text>
        )}
      </g>
    );
  }
  if (view.lines.length === 0) {
    rows.push(
      <text key="empty" x={LABEL} y={y + 22} fontSize="15" fill={ink.soft}>
        {t("chart-empty")}
      </text>,
    );
    y += 40;
  }
  const bottom = y + 4;
  // Gates as doors across all lines; today
  const doors = view.gates
    .filter((g) => g.day >= from && g.day <= to)
    .map((g) => {
      const gx = x(g.day),
        open = g.passed;
      return (
        <g key={g.view.gate}>
          <line
            x1={gx}
            x2={gx}
            y1={linesTop - 4}
            y2={bottom}
            stroke={open ? ink.moss : ink.saffron}
            strokeWidth={open ? 2 : 4}
          />
          {!open && (
            <line
              x1={gx + 3.5}
              x2={gx + 3.5}
              y1={linesTop - 4}
              y2={bottom}
              stroke={ink.text}
              strokeWidth="1"
            />
          )}
          <g
            transform={`translate(${Math.min(gx, width - 40)} ${linesTop - 13})`}
          >
            <rect
              x="-19"
              y="-10"
              width="38"
              height="19"
              rx="3"
              fill={open ? ink.mossPale : ink.saffronPale}
              stroke={open ? ink.moss : ink.text}
            />
            <text
              y="4.5"
              fontSize="12.5"
              fontWeight="650"
              textAnchor="middle"
              fill={ink.text}
            >
              {open ? t("chart-open") : `${g.view.met}/${g.view.total}`}
            </text>
          </g>
        </g>
      );
    });
  const day = view.today.day;
  return (
    <svg
      width={width}
      height={bottom + 8}
      viewBox={`0 0 ${width} ${bottom + 8}`}
      role="group"
      aria-label={t("chart-label")}
    >
      <defs>
        <pattern
          id={`nights-${id}`}
          width="5"
          height="5"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V5" stroke={ink.text} strokeWidth="1.8" />
        </pattern>
      </defs>
      {head}
      {rows}
      {doors}
      {day >= from && day <= to && (
        <g>
          <line
            x1={x(day)}
            x2={x(day)}
            y1={25}
            y2={bottom}
            stroke={ink.text}
            strokeWidth="1.6"
            strokeDasharray="7 3"
          />
          <rect
            x={x(day) - 24}
            y={3}
            width="48"
            height="20"
            rx="3"
            fill={ink.text}
          />
          <text
            x={x(day)}
            y={17.5}
            fontSize="12.5"
            fontWeight="600"
            textAnchor="middle"
            fill="var(--on)"
          >
            {t("chart-today")}
          </text>
        </g>
      )}
    </svg>
  );
}
