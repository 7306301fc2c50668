import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote, Ten } from "../app/parts";
import { send } from "../app/queue";
import {
  attr,
  capital,
  clock,
  nameOf,
  sentence,
  shortDate,
  t,
  withUnit,
} from "../app/wording";
import { Corridor } from "../pictures/Corridor";
import { LaneMark, StatusMark } from "../pictures/Marks";
import { Decide } from "./Decide";

type Page = Schemas["VisitPage"];

export function Visit({ episode }: { episode: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: ["visit", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/visit", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [error, setError] = useState<unknown>();
  if (!page.data) return <Pending query={page} />;
  const { view } = page.data;
  const keep = (next: Page | undefined) => {
    if (next) queries.setQueryData(["visit", episode], next);
    for (const key of ["story", "program", "decisions", "ranges"])
      void queries.invalidateQueries({ queryKey: [key] });
  };
  /** Posts through the queue: nothing is lost when the database is away. */
  const post = async (what: string, body: unknown): Promise<boolean> => {
    setError(undefined);
    try {
      const answer = await send(`/api/episodes/${episode}/${what}`, body);
      keep(what === "exam-notes" ? undefined : (answer as Page | undefined));
      return true;
    } catch (e) {
      setError(e);
      return false;
    }
  };
  const open = view.flags.filter(
    (f) => f.state === "raised" || f.state === "queried",
  );
  const missing = view.flags.filter((f) => f.asked && f.state === "not_asked");
  const shown = view.corridors
    .filter((c) => c.readings.length > 0 || c.quantity === "passive-elevation")
    .slice(0, 3);
  const limits = view.dials.filter(
    (d) =>
      d.ceiling.ceiling.kind !== "free" &&
      d.ceiling.reason.rule !== "barred-without-corridor",
  );
  // Without a pathway nothing is asked of the patient at home yet, and there is nothing to log.
  const unplanned = view.corridors.length === 0 && !view.phase;
  const due = view.dials.filter((d) => d.due).slice(0, 4);
  return (
    <>
      <div className="page-head">
        <h1 className="num">
          {t("weeks-days", { weeks: view.clock.weeks, days: view.clock.days })}
        </h1>
        <span className="soft num">{t("day-n", { day: view.clock.day })}</span>
        <span>{view.phase ? nameOf("phase", view.phase) : ""}</span>
      </div>
      <ProblemNote error={error} />
      {open.map((f) => (
        <div className="notice stop" key={f.flag} role="alert">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}.
          </b>{" "}
          {f.reason ? sentence(f.reason) : ""}{" "}
          <Link to={`/e/${episode}/story`}>{t("flag-go")}</Link>
        </div>
      ))}
      {view.calls.map((c) => (
        <div className="notice stop" key={sentence(c)}>
          <b>{sentence(c)}</b>
        </div>
      ))}
      {view.watches
        .filter((w) => w.speaks && w.act !== "stop")
        .map((w) => (
          <div className="notice decide" key={w.watch} data-watch={w.watch}>
            <b>
              {nameOf("act", w.act)}
              {w.act === "tell" ? ` ${nameOf("tell", w.tell)}` : ""}
              {w.within_days != null
                ? `, ${t("within-days", { days: w.within_days })}`
                : ""}
              : {nameOf("watch", w.watch)}.
            </b>{" "}
            {attr(`watch-${w.watch}`, "do")}
          </div>
        ))}
      {view.limits_to_confirm.map((l) => (
        <div className="notice decide" key={l.id}>
          {t("limit-waits", {
            quantity: l.quantity,
            ceiling: withUnit(l.quantity, l.ceiling),
            day: l.until_day ?? 0,
          })}{" "}
          <Link to={`/e/${episode}/story`}>{t("limit-confirm-end")}</Link>
        </div>
      ))}
      <div className="two">
        <div>
          <section className="block">
            <h2>{t("visit-since")}</h2>
            <p>
              {page.data.last_note ? (
                <>
                  {page.data.last_note.body}{" "}
                  <span className="soft small">
                    {t("visit-note-of", {
                      date: shortDate(page.data.last_note.on),
                    })}
                  </span>
                </>
              ) : (
                <span className="soft">{t("visit-no-note")}</span>
              )}
            </p>
            {!unplanned && (
              <p className="num">
                {view.adherence_pct != null
                  ? t("visit-adherence", {
                      pct: Math.round(view.adherence_pct),
                    })
                  : t("visit-unlogged")}
              </p>
            )}
            <FlagLine
              episode={episode}
              missing={missing.map((f) => f.flag)}
              flags={view.flags}
              onDone={() => {
                void page.refetch();
                keep(undefined);
              }}
              onError={setError}
            />
          </section>
          <section className="block">
            <h2>
              {t("visit-limits")}{" "}
              <span className="soft small">{t("visit-limits-lead")}</span>
            </h2>
            <table className="criteria">
              <tbody>
                {limits.map((d) => (
                  <tr key={d.quantity}>
                    <td className="w-half">
                      {capital(nameOf("quantity", d.quantity))}
                    </td>
                    <td className="num size-17 heavy">
                      {d.ceiling.ceiling.kind === "up_to"
                        ? withUnit(d.quantity, d.ceiling.ceiling.value)
                        : t("barred")}
                    </td>
                    <td className="soft small">
                      {nameOf("whose", d.ceiling.reason.rule)}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {limits.length === 0 && (
              <p className="soft">
                {t("visit-no-limits")}{" "}
                <Link to={`/e/${episode}/read`}>{t("nav-read")}</Link>
              </p>
            )}
            <ul className="small indented above-10">
              {view.precautions.map((p) => (
                <li key={p.id}>{nameOf("precaution", p.id)}</li>
              ))}
            </ul>
          </section>
          <section className="block">
            <h2>{t("visit-measure")}</h2>
            {due.length === 0 ? (
              <p className="soft">{t("visit-nothing-due")}</p>
            ) : (
              <ul className="indented">
                {due.map((d) => (
                  <li key={d.quantity}>
                    {capital(nameOf("quantity", d.quantity))}{" "}
                    <span className="soft small">
                      {d.operated.last
                        ? `${withUnit(d.quantity, d.operated.last.reading.value)}, ${t("day-n", { day: d.operated.last.day })}`
                        : t("not-measured")}
                    </span>
                  </li>
                ))}
              </ul>
            )}
            <p className="above-8">
              <Link to={`/e/${episode}/ranges`}>
                <Button>
                  {t("visit-to-ranges")} <kbd>g m</kbd>
                </Button>
              </Link>
            </p>
            <ScoreEntry
              today={page.data.today}
              post={post}
              asked={askedScores(view)}
            />
          </section>
        </div>
        <div>
          {unplanned && <WhatWasRead episode={episode} />}
          {shown.length > 0 && (
            <section className="block">
              <h2>{t("visit-corridor")}</h2>
              {shown.map((c) => (
                <figure key={c.quantity} className="flush below-10">
                  <figcaption className="small soft">
                    {capital(nameOf("quantity", c.quantity))}
                  </figcaption>
                  <Corridor
                    view={c}
                    today={view.clock.day}
                    from={Math.max(0, view.clock.day - 35)}
                    to={Math.max(0, view.clock.day - 35) + 84}
                    width={560}
                    height={150}
                    label={nameOf("quantity", c.quantity)}
                  />
                  {c.trend && (
                    <p className="small num" data-trend={c.quantity}>
                      {trendText(c.quantity, c.trend)}
                    </p>
                  )}
                </figure>
              ))}
            </section>
          )}
          {view.gate && (
            <Gate
              episode={episode}
              gate={view.gate}
              today={page.data.today}
              post={post}
            />
          )}
          {view.watches.length > 0 && <Watched watches={view.watches} />}
        </div>
      </div>
      {!unplanned && (
        <Decide
          day={view.clock.day}
          decisions={view.decisions}
          lines={page.data.lines}
          decided={page.data.decided}
          today={page.data.today}
          post={post}
        />
      )}
      {view.untried.length > 0 && (
        <TryOut
          exercises={view.untried}
          today={page.data.today}
          post={post}
          onDone={() => {
            void page.refetch();
            keep(undefined);
          }}
        />
      )}
      {!unplanned && <Log page={page.data} post={post} />}
      <Note episode={episode} post={post} />
      <p className="soft small num">{clock(view.clock)}</p>
    </>
  );
}

/** How fast, and when what is asked next may be there. */
function trendText(quantity: string, trend: Schemas["Trend"]): string {
  const unit = quantity === "hand-behind-back" ? "" : "°",
    signed = (v: number) => `${v > 0 ? "+" : ""}${v.toFixed(1)}${unit}`;
  const speed = t("trend-speed", {
    speed: signed(trend.per_week),
    low: signed(trend.per_week_low),
    high: signed(trend.per_week_high),
  });
  const r = trend.reach;
  if (!r) return speed;
  const target = withUnit(quantity, r.target);
  if (r.middle == null) return `${speed} ${t("trend-cannot-say", { target })}`;
  return `${speed} ${t(r.latest == null ? "trend-reach-open" : "trend-reach", { target, day: r.middle, early: r.earliest ?? r.middle, late: r.latest ?? 0 })}`;
}

function FlagLine({
  episode,
  missing,
  flags,
  onDone,
  onError,
}: {
  episode: string;
  missing: string[];
  flags: Schemas["FlagView"][];
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const [asked, setAsked] = useState(false);
  const none = async () => {
    try {
      const calm = flags.filter(
        (f) =>
          f.asked &&
          (f.state === "no" || f.state === "not_asked" || f.state === "closed"),
      );
      await ask(
        api.POST("/api/episodes/{id}/flags", {
          params: { path: { id: episode } },
          body: {
            answers: calm.map((f) => ({
              flag: f.flag,
              answer: "no" as const,
              confirmed: false,
            })),
          },
        }),
      );
      setAsked(true);
      onDone();
    } catch (e) {
      onError(e);
    }
  };
  return (
    <p className="small">
      {missing.length > 0
        ? t("flags-missing", { count: missing.length })
        : t("visit-flags-line")}
      {flags.some((f) => f.flag === "blade-bone-pain")
        ? ` ${t("visit-flags-blade")}`
        : ""}{" "}
      <Button
        size="small"
        id="flags-none"
        onClick={() => void none()}
        disabled={asked}
      >
        {asked ? t("visit-flags-done") : t("visit-flags-none")}
      </Button>{" "}
      <Link to={`/e/${episode}/story`}>{t("visit-flags-some")}</Link>
    </p>
  );
}

/** What the examination says, in sentences, where there is no corridor to look at. */
function WhatWasRead({ episode }: { episode: string }) {
  const reading = useQuery({
    queryKey: ["reading", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  if (!reading.data) return <Pending query={reading} />;
  return (
    <section className="block" id="was-read">
      <h2>
        {t("read-summary")}{" "}
        <Link className="small" to={`/e/${episode}/read`}>
          {t("nav-read")}
        </Link>
      </h2>
      <ul className="plainlist">
        {reading.data.view.summary.map((r) => (
          <li key={sentence(r)}>{sentence(r)}</li>
        ))}
      </ul>
      {reading.data.view.telling.length > 0 && (
        <p>
          {t("read-next")}:{" "}
          {reading.data.view.telling
            .map((i) => nameOf("test", i.test))
            .join(", ")}
          . <Link to={`/e/${episode}/examine`}>{t("nav-examine")}</Link>
        </p>
      )}
    </section>
  );
}

const WENT = ["clean", "faults", "pain", "too_hard"] as const;

/** Five repetitions of each new exercise in the room, one tap: nothing new goes home untried. */
function TryOut({
  exercises,
  today,
  post,
  onDone,
}: {
  exercises: string[];
  today: string;
  post: Post;
  onDone: () => void;
}) {
  const [went, setWent] = useState<Record<string, string>>({});
  const tap = async (exercise: string, word: (typeof WENT)[number]) => {
    if (
      await post("exam-notes", {
        id: newId(),
        on: today,
        kind: "try_out",
        exercise,
        went: word,
      })
    )
      setWent((now) => ({ ...now, [exercise]: word }));
    onDone();
  };
  return (
    <section className="block" id="try-out">
      <h2>
        {t("tryout-title")}{" "}
        <span className="soft small">{t("tryout-lead")}</span>
      </h2>
      {exercises.map((e) => (
        <div className="flag-row" key={e} data-exercise={e}>
          <span>
            {nameOf("exercise", e)}{" "}
            {went[e] === "pain" || went[e] === "too_hard" ? (
              <b className="small">{t("tryout-change")}</b>
            ) : null}
          </span>
          <span
            className="answers"
            role="group"
            aria-label={nameOf("exercise", e)}
          >
            {WENT.map((w) => (
              <button
                key={w}
                className="yn"
                aria-pressed={went[e] === w}
                onClick={() => void tap(e, w)}
              >
                {nameOf("tryout", w)}
              </button>
            ))}
          </span>
        </div>
      ))}
    </section>
  );
}

/** Scores that the next gate and the watches ask for besides the two that are always asked. */
function askedScores(view: Page["view"]): string[] {
  const all = (list: Schemas["CriterionView"][]): string[] =>
    list.flatMap((c) => [
      ...(c.asks.rule.startsWith("asks-score")
        ? [String(c.asks.args["score"])]
        : []),
      ...all(c.parts),
    ]);
  return [
    ...new Set(
      all([
        ...(view.gate?.criteria ?? []),
        ...view.watches.flatMap((w) => w.criteria),
      ]),
    ),
  ].filter((s) => s !== "rest-pain" && s !== "task-pain");
}

/** What this pathway watches for at this time, and which of it could be answered. */
function Watched({ watches }: { watches: Schemas["WatchView"][] }) {
  // Not a tick: what is quiet is not there, and a tick would say that it is.
  const mark = (w: Schemas["WatchView"]) =>
    w.speaks ? "something_is_wrong" : w.open ? "re_measure" : "quiet";
  return (
    <section className="block" id="watched">
      <h2>
        {t("watched-title")}{" "}
        <span className="soft small">{t("watched-lead")}</span>
      </h2>
      <table className="criteria">
        <tbody>
          {watches.map((w) => (
            <tr key={w.watch} data-watch={w.watch} data-speaks={w.speaks}>
              <td>
                <LaneMark lane={mark(w)} />
              </td>
              <td>
                {w.speaks ? (
                  <b>{nameOf("watch", w.watch)}</b>
                ) : (
                  nameOf("watch", w.watch)
                )}
                <br />
                <span className="soft small">
                  {t(
                    w.speaks
                      ? "watch-speaks"
                      : w.open
                        ? "watch-open"
                        : "watch-quiet",
                  )}{" "}
                  {w.speaks
                    ? w.criteria
                        .flatMap((c) => (c.datum ? [sentence(c.datum)] : []))
                        .join(". ")
                    : attr(`watch-${w.watch}`, "do")}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

type Post = (what: string, body: unknown) => Promise<boolean>;

function ScoreEntry({
  today,
  post,
  asked,
}: {
  today: string;
  post: Post;
  asked?: string[];
}) {
  const [given, setGiven] = useState<Record<string, number>>({});
  return (
    <table className="criteria above-8">
      <tbody>
        {["rest-pain", "task-pain", ...(asked ?? [])].map((score) => (
          <tr key={score}>
            <td className="small w-auto">{capital(nameOf("score", score))}</td>
            <td>
              <Ten
                label={nameOf("score", score)}
                max={score === "nights-woken" ? 7 : 10}
                picked={given[score]}
                onPick={(value) =>
                  void post("scores", {
                    id: newId(),
                    score,
                    value,
                    on: today,
                  }).then((ok) => ok && setGiven({ ...given, [score]: value }))
                }
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Gate({
  episode,
  gate,
  today,
  post,
}: {
  episode: string;
  gate: Schemas["GateView"];
  today: string;
  post: Post;
}) {
  const [over, setOver] = useState<string[]>([]);
  const [reason, setReason] = useState("");
  const unmet = gate.criteria.filter((c) => c.status !== "met");
  const ready =
    gate.time_reached &&
    unmet.every((c) => over.includes(c.id) && c.overridable);
  const rows = (
    list: Schemas["CriterionView"][],
    depth: number,
  ): React.ReactNode =>
    list.map((c) => (
      <tr key={`${depth}${c.id}`} data-criterion={c.id} data-status={c.status}>
        <td>
          <StatusMark status={c.status} />
        </td>
        <td style={{ paddingLeft: depth * 18 }}>
          {sentence(c.asks)}
          <br />
          <span className="soft small">
            {t(`status-${c.status}`)}
            {c.datum
              ? `: ${sentence(c.datum).replace(/^./, (l) => l.toLowerCase())}`
              : ""}
          </span>
          {c.parts.length > 0 && (
            <table className="criteria">
              <tbody>{rows(c.parts, 0)}</tbody>
            </table>
          )}
        </td>
        <td className="to-right nowrap">
          {c.asks.rule === "asks-attested" && c.status !== "met" && (
            <Button
              size="small"
              onClick={() =>
                void post("attestations", {
                  id: newId(),
                  code: c.asks.args["code"],
                  holds: true,
                  on: today,
                })
              }
            >
              {t("attest")}
            </Button>
          )}
          {c.asks.rule === "asks-attested" &&
            c.status !== "met" &&
            c.status !== "not_met" && (
              <>
                {" "}
                <Button
                  size="small"
                  onClick={() =>
                    void post("attestations", {
                      id: newId(),
                      code: c.asks.args["code"],
                      holds: false,
                      on: today,
                    })
                  }
                >
                  {t("attest-not")}
                </Button>
              </>
            )}
          {depth === 0 &&
            c.status !== "met" &&
            c.overridable &&
            gate.time_reached && (
              <label className="small drawn above-4">
                <input
                  type="checkbox"
                  checked={over.includes(c.id)}
                  onChange={(e) =>
                    setOver(
                      e.target.checked
                        ? [...over, c.id]
                        : over.filter((o) => o !== c.id),
                    )
                  }
                />{" "}
                {t("override")}
              </label>
            )}
        </td>
      </tr>
    ));
  return (
    <section className="block" id="gate">
      <h2>
        {t("gate-title", { gate: gate.gate })}{" "}
        <span className="num">
          {gate.met}/{gate.total}
        </span>
      </h2>
      <table className="criteria">
        <tbody>{rows(gate.criteria, 0)}</tbody>
      </table>
      {over.length > 0 && (
        <Input
          className="above-8"
          id="override-reason"
          aria-label={t("override-reason")}
          placeholder={t("override-reason")}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <p className="above-10">
        {gate.time_reached ? (
          <Button
            type="primary"
            id="pass-gate"
            disabled={!ready}
            onClick={() =>
              void post(`gates/${gate.gate}/pass`, { overridden: over, reason })
            }
          >
            {over.length > 0 ? t("gate-pass-override") : t("gate-pass")}
          </Button>
        ) : (
          <span className="soft">
            {t("gate-opens", { day: gate.opens_day })}
          </span>
        )}{" "}
        {gate.typical && !gate.due && (
          <span className="soft">
            {t("gate-typical", { day: gate.opens_day })}
          </span>
        )}{" "}
        <Link className="small" to={`/e/${episode}/program`}>
          {t("gate-to-program")}
        </Link>
      </p>
    </section>
  );
}

function Log({ page, post }: { page: Page; post: Post }) {
  const [on, setOn] = useState(page.today);
  const [done, setDone] = useState<Record<string, string>>({});
  const [pain, setPain] = useState<Record<string, number>>({});
  const [slip, setSlip] = useState(false);
  const [worse, setWorse] = useState("");
  const [flare, setFlare] = useState(false);
  const entry = (exercise: string | null, fact: object) =>
    post("log", { id: newId(), on, exercise, ...fact });
  const days = new Map<
    string,
    {
      done: number;
      out: number;
      pains: string[];
      slip: boolean;
      flare: boolean;
    }
  >();
  // Newest first: a later entry for the same day and exercise, or the same kind of pain, corrects the earlier one.
  const seen = new Set<string>();
  for (const e of page.view.log) {
    const d = days.get(e.on) ?? {
      done: 0,
      out: 0,
      pains: [],
      slip: false,
      flare: false,
    };
    const what = `${e.on} ${e.exercise ?? ""} ${e.kind === "left_out" ? "done" : e.kind}`;
    if (seen.has(what)) continue;
    seen.add(what);
    if (e.kind === "done") d.done += e.sessions;
    else if (e.kind === "left_out") d.out += 1;
    else if (e.kind === "slip" || e.kind === "slip_worse") d.slip = true;
    else if (e.kind === "flare_day") d.flare = true;
    else if (e.kind === "effort")
      d.pains[3] = `${t("short-effort")} ${e.value}`;
    else
      d.pains[
        ["pain_before", "pain_during", "pain_next_morning"].indexOf(e.kind)
      ] = `${t(`short-${e.kind}`)} ${e.value}`;
    days.set(e.on, d);
  }
  return (
    <section className="block" id="log">
      <h2>
        {t("log-title")} <span className="soft small">{t("log-lead")}</span>
      </h2>
      <div className="two">
        <div className="sheet">
          <label className="field w-190 below-10">
            {t("log-day")}
            <input
              type="date"
              id="log-day"
              max={page.today}
              value={on}
              onChange={(e) => {
                setOn(e.target.value);
                setDone({});
                setPain({});
                setSlip(false);
                setWorse("");
                setFlare(false);
              }}
            />
          </label>
          {page.lines.length === 0 && (
            <p className="soft above-8">{t("log-no-lines")}</p>
          )}
          <table className="log">
            <tbody>
              {page.lines.map((l) => (
                <tr key={l.id}>
                  <td>
                    {nameOf("exercise", l.exercise)}{" "}
                    <span className="soft small num nowrap">
                      {l.dose.sets} × {l.dose.repetitions},{" "}
                      {l.dose.times_per_day}/{t("day")}
                    </span>
                  </td>
                  <td className="to-right nowrap">
                    {Array.from(
                      { length: l.dose.times_per_day },
                      (_, i) => i + 1,
                    ).map((n) => (
                      <button
                        key={n}
                        className="yn num compact"

                        aria-pressed={done[l.exercise] === String(n)}
                        aria-label={`${nameOf("exercise", l.exercise)}: ${n}`}
                        onClick={() =>
                          void entry(l.exercise, {
                            kind: "done",
                            sessions: n,
                            repetitions: l.dose.repetitions,
                          }).then(
                            (ok) =>
                              ok &&
                              setDone({ ...done, [l.exercise]: String(n) }),
                          )
                        }
                      >
                        {n}×
                      </button>
                    ))}{" "}
                    <button
                      className="yn compact"

                      aria-pressed={done[l.exercise] === "out"}
                      onClick={() =>
                        void entry(l.exercise, { kind: "left_out" }).then(
                          (ok) =>
                            ok && setDone({ ...done, [l.exercise]: "out" }),
                        )
                      }
                    >
                      {t("log-left-out")}
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className="log">
            <tbody>
              {[
                "pain_before",
                "pain_during",
                "pain_next_morning",
                "effort",
              ].map((kind) => (
                <tr key={kind}>
                  <td>{t(`log-${kind}`)}</td>
                  <td className="to-right">
                    <Ten
                      label={t(`log-${kind}`)}
                      picked={pain[kind]}
                      onPick={(value) =>
                        void entry(null, { kind, value }).then(
                          (ok) => ok && setPain({ ...pain, [kind]: value }),
                        )
                      }
                    />
                  </td>
                </tr>
              ))}
              <tr>
                <td>{t("log-slip-ask")}</td>
                <td className="to-right">
                  <button
                    className="yn yes"
                    id="log-slip"
                    aria-pressed={slip}
                    onClick={() =>
                      void entry(null, { kind: "slip" }).then(
                        (ok) => ok && setSlip(true),
                      )
                    }
                  >
                    {t("log-slip")}
                  </button>
                </td>
              </tr>
              {slip && (
                <tr>
                  <td>{t("log-slip-how")}</td>
                  <td className="to-right">
                    {(
                      [
                        "stays_out",
                        "new_direction",
                        "numb",
                        "more_often",
                      ] as const
                    ).map((how) => (
                      <button
                        key={how}
                        className="yn yes compact"

                        aria-pressed={worse === how}
                        onClick={() =>
                          void entry(null, { kind: "slip_worse", how }).then(
                            (ok) => ok && setWorse(how),
                          )
                        }
                      >
                        {nameOf("how", how)}
                      </button>
                    ))}
                  </td>
                </tr>
              )}
              <tr>
                <td>{t("log-flare-ask")}</td>
                <td className="to-right">
                  <button
                    className="yn"
                    id="log-flare"
                    aria-pressed={flare}
                    onClick={() =>
                      void entry(null, { kind: "flare_day" }).then(
                        (ok) => ok && setFlare(true),
                      )
                    }
                  >
                    {t("log-flare")}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <table className="log at-top">
          <thead>
            <tr>
              <th>{t("log-day")}</th>
              <th>{t("log-sessions")}</th>
              <th>{t("log-pain")}</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            {[...days].slice(0, 14).map(([date, d]) => (
              <tr key={date}>
                <td className="num">
                  {new Date(`${date}T12:00`).toLocaleDateString("en-GB", {
                    weekday: "short",
                    day: "numeric",
                    month: "short",
                  })}
                </td>
                <td className="num">
                  {d.done}
                  {d.out ? `, ${d.out} ${t("log-left-out")}` : ""}
                </td>
                <td className="small">{d.pains.filter(Boolean).join(" · ")}</td>
                <td>
                  {d.slip ? <b className="brick">{t("log-slip")}</b> : ""}
                  {d.flare ? (
                    <span className="small">{t("log-flare")}</span>
                  ) : (
                    ""
                  )}
                </td>
              </tr>
            ))}
            {days.size === 0 && (
              <tr>
                <td colSpan={4} className="soft">
                  {t("log-empty")}
                </td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Note({ episode, post }: { episode: string; post: Post }) {
  const key = `ritorno-note-${episode}`;
  const [id, setId] = useState(newId);
  const [body, setBody] = useState(
    () => window.sessionStorage.getItem(key) ?? "",
  );
  const [signed, setSigned] = useState(false);
  const write = (text: string) => {
    setBody(text);
    setSigned(false);
    window.sessionStorage.setItem(key, text);
  };
  return (
    <section className="block">
      <h2>{t("note-title")}</h2>
      <Input.TextArea
        id="note"
        rows={3}
        aria-label={t("note-title")}
        placeholder={t("note-placeholder")}
        value={body}
        onChange={(e) => write(e.target.value)}
      />
      <p className="above-8">
        <Button
          type="primary"
          id="sign-note"
          disabled={body.trim() === ""}
          onClick={() =>
            void post("notes", { id, body }).then((ok) => {
              if (ok) {
                write("");
                setId(newId());
                setSigned(true);
              }
            })
          }
        >
          {t("note-sign")}
        </Button>{" "}
        {signed && <span role="status">{t("note-signed")}</span>}
      </p>
    </section>
  );
}
