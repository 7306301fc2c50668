import { keepPreviousData, useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useRef } from "react";
import { api, ask, type Schemas } from "../../../app/client";
import { Pending, ProblemNote } from "../../../app/parts";
import { pathTo } from "../../../app/pathTo";
import { queryKeys } from "../../../app/queryKeys";
import { hourAndMinute } from "../../../app/times";
import { dayOfMonth, nameOf, sentence, t } from "../../../app/wording";
import { VerdictMark } from "../../../pictures/Marks";
import { numbered } from "../../../pictures/chart/numbered";
import type { Draft } from "../draft";
import { type Days, movable, moved, nextFree } from "./days";
import { Hours } from "./Hours";
import { useCarry } from "./useCarry";

type Page = Schemas["WeekPage"];
type Day = Schemas["WeekDay"];

/** The next seven days at home: what is done when, changed by carrying it to another day. */
export function Week({
  episode,
  rev,
  view,
  draft,
  today,
  selected,
  onSelect,
}: {
  episode: string;
  rev: number;
  view: Schemas["PlanChart"];
  draft: Draft;
  today: string;
  selected: string | undefined;
  onSelect: (line: string) => void;
}) {
  const { lines } = draft;
  const week = useQuery({
    queryKey: queryKeys.week(episode, lines),
    queryFn: () =>
      ask(
        api.POST("/api/episodes/{id}/program/week", {
          ...pathTo(episode),
          body: { rev, lines },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const page = week.data;
  const days = new Map(view.lines.map((l) => [l.line.id, l.days]));
  const put = (id: string, weekdays: boolean[]) => {
    const dose = lines.find((l) => l.id === id)?.dose;
    if (dose) void draft.edit(id, { dose: { ...dose, weekdays } });
  };
  const move = (id: string, from: number, to: number) => {
    const next = moved(days.get(id) ?? [], from, to);
    if (next) put(id, next);
    return next !== undefined;
  };
  if (!page) return <Pending query={week} />;
  const { better } = page.week;
  const spread = () =>
    void draft.change(
      lines.map((l) => {
        const found = better.find((b) => b.line === l.id);
        return found ? { ...l, dose: { ...l.dose, weekdays: found.days } } : l;
      }),
    );
  return (
    <section id="week" aria-label={t("plan-week-title")}>
      <Hours episode={episode} page={page} today={today} />
      <ProblemNote error={week.error} />
      <Grid
        page={page}
        view={view}
        days={days}
        move={move}
        selected={selected}
        onSelect={onSelect}
      />
      <p className="row wrap small soft no-print">
        {better.length > 0 && (
          <Button id="week-spread" onClick={spread}>
            {t("plan-week-spread")}
          </Button>
        )}
        <span>{t("plan-week-keys")}</span>
      </p>
    </section>
  );
}

function Grid({
  page,
  view,
  days,
  move,
  selected,
  onSelect,
}: {
  page: Page;
  view: Schemas["PlanChart"];
  days: Map<string, Days>;
  move: (line: string, from: number, to: number) => boolean;
  selected: string | undefined;
  onSelect: (line: string) => void;
}) {
  const carry = useCarry(move);
  const { carried } = carry;
  const shown = page.week.days.map((day) => day.weekday);
  // What was moved by a key keeps the focus where it comes to lie.
  const follow = useRef<string>(undefined);
  useEffect(() => {
    if (!follow.current) return;
    const chip = document.querySelector<HTMLElement>(follow.current);
    if (!chip) return;
    follow.current = undefined;
    chip.focus();
  });
  const rows = numbered(view.lines);
  const takes = (weekday: number) =>
    carried !== undefined &&
    moved(days.get(carried.line) ?? [], carried.from, weekday) !== undefined;
  const held = (day: Day) => [...new Set(day.sessions.flatMap((s) => s.lines))];
  const [first, ...later] = page.week.days.map(held);
  const daily = (first ?? []).filter((id) =>
    later.every((day) => day.includes(id)),
  );
  const named = (id: string) => {
    const row = rows.find((r) => r.line.line.id === id);
    if (!row) return undefined;
    const name = nameOf("exercise", row.line.line.exercise);
    const waits = page.week.waits.includes(id);
    const often = row.line.line.dose.times_per_day;
    return {
      title: waits ? `${name}: ${t("plan-week-waits")}` : name,
      className: `week-chip${waits ? " waits" : ""}`,
      style: {
        borderColor: `var(--purpose-${row.line.purpose}, var(--petrol))`,
      },
      "data-chip": id,
      "data-exercise": row.line.line.exercise,
      "aria-pressed": selected === id,
      onClick: () => {
        if (!carry.slid()) onSelect(id);
      },
      children: (
        <>
          <b className="num">{row.n}</b>{" "}
          <span>
            {name}
            {often > 1 && (
              <b className="num"> {t("plan-week-often", { often })}</b>
            )}
          </span>
        </>
      ),
    };
  };
  const chip = (id: string, day: Day) => {
    const props = named(id);
    if (!props) return null;
    const own = days.get(id) ?? [];
    const free = movable(own);
    const step = (by: 1 | -1) => {
      const to = nextFree(own, day.weekday, by, shown);
      if (to && move(id, day.weekday, to))
        follow.current = `[data-weekday="${to}"] [data-chip="${id}"]`;
    };
    return (
      <button
        type="button"
        key={id}
        {...props}
        className={`${props.className}${free ? " free" : ""}`}
        data-carried={carried?.line === id && carried.from === day.weekday}
        onKeyDown={(e) => {
          if (e.key !== "ArrowLeft" && e.key !== "ArrowRight") return;
          e.preventDefault();
          e.stopPropagation();
          step(e.key === "ArrowRight" ? 1 : -1);
        }}
        {...(free ? carry.of(id, day.weekday) : {})}
      />
    );
  };
  return (
    <>
      {daily.length > 0 && (
        <div className="week-daily" id="week-daily">
          <h2>{t("plan-week-daily")}</h2>
          {daily.map((id) => (
            <button type="button" key={id} {...named(id)} />
          ))}
        </div>
      )}
      <ol className="week">
        {page.week.days.map((day) => (
          <li
            key={day.date}
            data-weekday={day.weekday}
            data-suits={day.suits}
            className={[
              carried?.over === day.weekday && takes(day.weekday) ? "over" : "",
              takes(day.weekday) ? "takes" : "",
            ].join(" ")}
          >
            <h2>
              {t(`weekday-${day.weekday}`)}{" "}
              <span className="num soft">{dayOfMonth(day.date)}</span>
            </h2>
            {!day.suits && (
              <p className="soft small">{t("plan-week-unsuited")}</p>
            )}
            <Sessions day={day} />
            {held(day)
              .filter((id) => !daily.includes(id))
              .map((id) => chip(id, day))}
            <Minutes day={day} />
            {day.notes.map((note) => (
              <p className="small" key={sentence(note)}>
                <VerdictMark status="caution" /> {sentence(note)}
              </p>
            ))}
          </li>
        ))}
      </ol>
    </>
  );
}

/** When a day's sessions and appointments are, one below the other. */
function Sessions({ day }: { day: Day }) {
  const { sessions, appointments } = day;
  if (sessions.length === 0 && appointments.length === 0)
    return <p className="soft small">{t("plan-week-rest")}</p>;
  const free = sessions.filter((s) => !s.at);
  return (
    <ul className="week-times num small">
      {[
        ...sessions.flatMap(({ at, minutes }) =>
          at ? [{ at, what: inMinutes(minutes), meets: false }] : [],
        ),
        ...appointments.map((at) => ({
          at,
          what: t("plan-week-appointment"),
          meets: true,
        })),
      ]
        .sort((a, b) => a.at.localeCompare(b.at))
        .map(({ at, what, meets }) => (
          <li key={at + what} className={meets ? "meets" : ""}>
            <b>{hourAndMinute(at)}</b> {what}
          </li>
        ))}
      {free.length > 0 && (
        <li>{t("plan-week-free", { count: free.length })}</li>
      )}
    </ul>
  );
}

const inMinutes = (minutes: number) =>
  t("plan-week-minutes", { minutes: Math.round(minutes) });

/** Minutes of a day, against what the patient has. */
function Minutes({ day }: { day: Day }) {
  const minutes = Math.round(day.minutes);
  const most = day.most_minutes;
  const text = most
    ? t("plan-week-minutes-of", { minutes, most })
    : inMinutes(minutes);
  return (
    <p className="week-minutes small num">
      {most != null && most > 0 && (
        <span className="bar" aria-hidden="true">
          <span
            className={day.minutes > most ? "over" : ""}
            style={{ width: `${Math.min(100, (100 * day.minutes) / most)}%` }}
          />
        </span>
      )}
      {text}
    </p>
  );
}
