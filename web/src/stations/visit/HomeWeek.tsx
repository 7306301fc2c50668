import Button from "antd/es/button";
import Popover from "antd/es/popover";
import { type ReactNode, useState } from "react";
import { newId, type Schemas } from "../../app/client";
import { Ten } from "../../app/parts";
import { dayOfMonth, nameOf, shortDate, t, weekday } from "../../app/wording";
import {
  asPlanned,
  cellKey,
  type DayFelt,
  type Feeling,
  FEELINGS,
  feltOf,
  type Fill,
  known,
  leftWhy,
  nextSessions,
  type Tapped,
  weekOf,
} from "./week";

type Page = Schemas["VisitPage"];
type Row = Schemas["HomeRow"];
export type LogBody = { kind: string } & Record<string, unknown>;

/** A log entry of a day, in words for the outbox. */
export interface LogWord {
  id: string;
  on: string;
  exercise: string | null;
  fact: LogBody;
  says: string;
}

/** One exercise on one day, as the log takes it. */
function word({ exercise, day, sessions, repetitions }: Fill): LogWord {
  const name = nameOf("exercise", exercise);
  return {
    id: newId(),
    on: day,
    exercise,
    fact:
      sessions === 0
        ? { kind: "left_out" }
        : { kind: "done", sessions, repetitions },
    says: `${name}: ${sessions === 0 ? t("log-left-out") : t("week-sessions", { n: sessions })}`,
  };
}

/**
 * A week at home: exercises down, days across. *As planned* fills a day or the week with one tap, exceptions are
 * tapped; below, how each day felt.
 */
export function HomeWeek({
  page,
  day,
  onDay,
  send,
  takeBack,
  children,
}: {
  /** What can be told of a week that nobody remembers day by day. */
  children: ReactNode;
  page: Page;
  /** The day that is spoken of beside the grid. */
  day: string;
  onDay: (day: string) => void;
  send: (words: LogWord[]) => void;
  takeBack: (entries: string[], what: string) => void;
}) {
  const { home: grid, today, view } = page;
  const [back, setBack] = useState(0);
  const [tapped, setTapped] = useState<Tapped>(new Map());
  const [filled, setFilled] = useState<{ ids: string[]; keys: string[] }>();
  const days = weekOf(grid.days, back);
  const felt = feltOf(view.log);
  const put = (fills: Fill[], undo: boolean) => {
    const words = fills.map(word);
    setTapped((now) => {
      const next = new Map(now);
      for (const f of fills) next.set(cellKey(f.exercise, f.day), f.sessions);
      return next;
    });
    setFilled(
      undo && words.length > 0
        ? {
            ids: words.map((x) => x.id),
            keys: fills.map((f) => cellKey(f.exercise, f.day)),
          }
        : undefined,
    );
    send(words);
  };
  const undo = () => {
    if (!filled) return;
    setTapped((now) => {
      const next = new Map(now);
      filled.keys.forEach((key) => next.delete(key));
      return next;
    });
    takeBack(filled.ids, t("week-as-planned"));
    setFilled(undefined);
  };
  const rows = grid.rows.filter((row) =>
    days.some((d) => row.cells[grid.days.indexOf(d)]?.planned != null),
  );
  // Today is not over: it is filled by its own key only.
  const past = days.filter((d) => d < today);
  const open = asPlanned(grid, past, tapped);
  return (
    <div className="week" id="week">
      <p className="row wrap">
        <Button
          type="primary"
          id="week-as-planned"
          disabled={open.length === 0}
          onClick={() => put(open, true)}
        >
          {t("week-as-planned")}
        </Button>
        {filled && (
          <Button id="week-undo" onClick={undo}>
            {t("week-undo", { count: filled.ids.length })}
          </Button>
        )}
        <span className="soft small week-how">{t("week-how")}</span>
        {grid.days.length > 7 && (
          <Button
            id="week-before"
            className="push-right"
            type="text"
            onClick={() => setBack(back === 0 ? 1 : 0)}
          >
            {t(back === 0 ? "week-before" : "week-now")}
          </Button>
        )}
      </p>
      <div className="week-scroll">
        <table className="week-grid">
          <thead>
            <tr>
              <td />
              {days.map((d) => (
                <th key={d} scope="col">
                  <button
                    className="week-day"
                    aria-pressed={d === day}
                    data-day={d}
                    onClick={() => onDay(d)}
                  >
                    {d === today ? t("week-today") : weekday(d)}
                    <br />
                    <span className="soft small num">{dayOfMonth(d)}</span>
                  </button>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Exercise
                key={row.exercise}
                row={row}
                grid={grid}
                days={days}
                tapped={tapped}
                onTap={(fill) => put([fill], false)}
              />
            ))}
            <tr className="week-fill">
              <th scope="row">{t("week-day-as-planned")}</th>
              {days.map((d) => {
                const fills = asPlanned(grid, [d], tapped);
                return (
                  <td key={d}>
                    <button
                      className="cell"
                      data-fill={d}
                      disabled={fills.length === 0}
                      aria-label={`${t("week-day-as-planned")}, ${weekday(d, true)}`}
                      onClick={() => put(fills, true)}
                    >
                      {fills.length === 0 ? "" : "✓"}
                    </button>
                  </td>
                );
              })}
            </tr>
            {FEELINGS.map((kind) => (
              <tr key={kind} className="week-felt">
                <th scope="row">{t(`log-${kind}`)}</th>
                {days.map((d) => (
                  <td key={d}>
                    <Felt
                      kind={kind}
                      day={d}
                      felt={felt.get(d)}
                      onPick={(value) =>
                        send([
                          {
                            id: newId(),
                            on: d,
                            exercise: null,
                            fact: { kind, value },
                            says: `${t(`log-${kind}`)} ${value}`,
                          },
                        ])
                      }
                    />
                  </td>
                ))}
              </tr>
            ))}
            {days.some((d) => felt.get(d)?.slip ?? felt.get(d)?.flare) && (
              <tr className="week-felt">
                <th scope="row">{t("week-marks")}</th>
                {days.map((d) => (
                  <td key={d} className="small">
                    <Marks felt={felt.get(d)} takeBack={takeBack} />
                  </td>
                ))}
              </tr>
            )}
          </tbody>
        </table>
      </div>
      {children}
    </div>
  );
}

/** One exercise: a cell a day, each tap one session less, after nothing as planned again. */
function Exercise({
  row,
  grid,
  days,
  tapped,
  onTap,
}: {
  row: Row;
  grid: Page["home"];
  days: string[];
  tapped: Tapped;
  onTap: (fill: Fill) => void;
}) {
  const name = nameOf("exercise", row.exercise);
  const why = leftWhy(grid, row, days);
  return (
    <tr data-exercise={row.exercise}>
      <th scope="row">
        {name}
        {why.length > 0 && (
          <span className="soft small left-why">
            {t("week-left-out", {
              list: why
                .map(([because, count]) => t(`week-left-${because}`, { count }))
                .join(", "),
            })}
          </span>
        )}
      </th>
      {days.map((d) => {
        const cell = row.cells[grid.days.indexOf(d)];
        if (cell?.planned == null) return <td key={d} className="idle" />;
        const done = known(tapped, row.exercise, d, cell.done);
        const state =
          done === null
            ? cell.planned === 0
              ? "rest"
              : "open"
            : done === 0
              ? "out"
              : done >= cell.planned
                ? "whole"
                : "part";
        return (
          <td key={d}>
            <button
              className={`cell ${state}`}
              data-state={state}
              data-day={d}
              aria-label={t(`week-cell-${state}`, {
                name,
                day: shortDate(d),
                planned: cell.planned,
                done: done ?? 0,
              })}
              onClick={() =>
                onTap({
                  exercise: row.exercise,
                  day: d,
                  sessions: nextSessions(cell.planned ?? 0, done),
                  repetitions: row.repetitions,
                })
              }
            >
              {state === "whole"
                ? cell.planned > 1 || (done ?? 0) > 1
                  ? `✓ ${done}`
                  : "✓"
                : state === "part"
                  ? `${done}/${cell.planned}`
                  : state === "out"
                    ? "✕"
                    : state === "rest"
                      ? "–"
                      : cell.planned}
            </button>
          </td>
        );
      })}
    </tr>
  );
}

/** A number of nought to ten for one day: the row of keys opens at the cell. */
function Felt({
  kind,
  day,
  felt,
  onPick,
}: {
  kind: Feeling;
  day: string;
  felt: DayFelt | undefined;
  onPick: (value: number) => void;
}) {
  const [open, setOpen] = useState(false);
  const [mine, setMine] = useState<number>();
  const value = mine ?? felt?.values[kind];
  const label = t(`log-${kind}`);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      trigger="click"
      destroyOnHidden
      content={
        <div className="felt-keys">
          <b>
            {label}, {weekday(day, true)}
          </b>
          <Ten
            label={label}
            picked={value}
            onPick={(n) => {
              setMine(n);
              setOpen(false);
              onPick(n);
            }}
          />
        </div>
      }
    >
      <button
        className="cell felt num"
        data-felt={`${kind} ${day}`}
        aria-label={`${label}, ${shortDate(day)}: ${value ?? t("not-asked")}`}
      >
        {value ?? <span className="soft">·</span>}
      </button>
    </Popover>
  );
}

/** A slip or a bad day on record, each taken back with one key. */
function Marks({
  felt,
  takeBack,
}: {
  felt: DayFelt | undefined;
  takeBack: (entries: string[], what: string) => void;
}) {
  const marks = [
    ["slip", felt?.slip, "log-slip"],
    ["flare", felt?.flare, "log-flare"],
  ] as const;
  return marks.map(
    ([what, id, name]) =>
      id !== undefined && (
        <div key={what} className="week-mark">
          <b className={what === "slip" ? "brick" : ""}>{t(name)}</b>
          <Button
            size="small"
            data-back={what}
            onClick={() => takeBack([id], t(name))}
          >
            {t("take-back")}
          </Button>
        </div>
      ),
  );
}
