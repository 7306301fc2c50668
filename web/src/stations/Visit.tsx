import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { SaveMark, useEntries } from "../app/entries";
import { useBounds } from "../app/numbers";
import { Pending, ProblemNote } from "../app/parts";
import {
  capital,
  clock,
  nameOf,
  sentence,
  shortDate,
  t,
  withUnit,
} from "../app/wording";
import { Decide } from "./Decide";
import { Corridors } from "./visit/Corridors";
import { FlagLine } from "./visit/FlagLine";
import { Gate } from "./visit/Gate";
import { Held } from "./visit/Held";
import { Log } from "./visit/Log";
import { Note } from "./visit/Note";
import { Notices } from "./visit/Notices";
import type { Post } from "./visit/post";
import { askedScores, ScoreEntry } from "./visit/ScoreEntry";
import { TryOut } from "./visit/TryOut";
import { WhatWasRead } from "./visit/WasRead";
import { Watched } from "./visit/Watched";
import { Week } from "./visit/Week";

type Page = Schemas["VisitPage"];

/** The follow-up on one page: since last time, limits, what to measure, what to decide, a week at home, the note. */
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
  const { keep, state, error, setError } = useEntries(episode);
  // Until the server has said how much it keeps, it judges.
  const noteMost = useBounds()("note_characters")?.max ?? Infinity;
  if (!page.data) return <Pending query={page} />;
  const { view } = page.data;
  const post: Post = async (entry, slot, back) => {
    const kept = await keep(entry, slot, back);
    const whole =
      !["exam_note", "withdrawal", "log"].includes(entry.kind) &&
      kept?.reply !== undefined;
    if (whole) queries.setQueryData(["visit", episode], kept.reply as Page);
    return kept !== undefined;
  };
  // Without a pathway nothing is asked of the patient at home yet, and there is nothing to log.
  const unplanned = view.corridors.length === 0 && !view.phase;
  const { today } = page.data;
  const refresh = () => {
    for (const key of ["visit", "story", "ranges", "day-list", "timeline"])
      void queries.invalidateQueries({ queryKey: [key] });
  };
  return (
    <>
      <div className="page-head">
        <h1 className="num">
          {t("weeks-days", { weeks: view.clock.weeks, days: view.clock.days })}
        </h1>
        <span className="soft num">{t("day-n", { day: view.clock.day })}</span>
        <span>{view.phase ? nameOf("phase", view.phase) : ""}</span>
        <span className="right">
          <SaveMark state={state} />
        </span>
      </div>
      <ProblemNote error={error} />
      <Notices episode={episode} view={view} />
      <Held episode={episode} view={view} onDone={refresh} onError={setError} />
      <div className="two">
        <div>
          <Since
            episode={episode}
            page={page.data}
            unplanned={unplanned}
            onAsked={refresh}
            onError={setError}
          />
          <Limits episode={episode} view={view} />
          <ToMeasure episode={episode} view={view} today={today} post={post} />
        </div>
        <div>
          {unplanned && <WhatWasRead episode={episode} />}
          <Corridors view={view} />
          {view.gate && (
            <Gate
              episode={episode}
              gate={view.gate}
              today={today}
              post={post}
            />
          )}
          {view.watches.length > 0 && <Watched watches={view.watches} />}
        </div>
      </div>
      {view.short_plan && (
        <div className="notice decide" id="short-plan">
          {sentence(view.short_plan)}{" "}
          <Link to={`/e/${episode}/program?short=1`}>
            <Button size="small">{t("short-plan-propose")}</Button>
          </Link>
        </div>
      )}
      {!unplanned && (
        <Decide
          day={view.clock.day}
          decisions={view.decisions}
          lines={page.data.lines}
          decided={page.data.decided}
          today={today}
          post={post}
        />
      )}
      {(view.untried.length > 0 || view.retest) && (
        <TryOut
          exercises={view.untried}
          retest={view.retest}
          today={today}
          post={post}
        />
      )}
      {!unplanned && (
        <Log
          episode={episode}
          page={page.data}
          post={post}
          onAsked={refresh}
          onError={setError}
        />
      )}
      <Note most={noteMost} post={post} />
      <p className="soft small num">{clock(view.clock)}</p>
    </>
  );
}

/** Since last time: the newest note, how much was done, flags in one line. */
function Since({
  episode,
  page,
  unplanned,
  onAsked,
  onError,
}: {
  episode: string;
  page: Page;
  unplanned: boolean;
  onAsked: () => void;
  onError: (e: unknown) => void;
}) {
  const { view, last_note: note } = page;
  const missing = view.flags.filter((f) => f.asked && f.state === "not_asked");
  return (
    <section className="block">
      <h2>{t("visit-since")}</h2>
      <p>
        {note ? (
          <>
            {note.body}{" "}
            <span className="soft small">
              {t("visit-note-of", { date: shortDate(note.on) })}
            </span>
          </>
        ) : (
          <span className="soft">{t("visit-no-note")}</span>
        )}
      </p>
      {!unplanned && (
        <Week
          episode={episode}
          view={view}
          today={page.today}
          onDone={onAsked}
          onError={onError}
        />
      )}
      <FlagLine
        episode={episode}
        missing={missing.map((f) => f.flag)}
        flags={view.flags}
        onDone={onAsked}
        onError={onError}
      />
    </section>
  );
}

/** Today's limits and precautions. */
function Limits({ episode, view }: { episode: string; view: Page["view"] }) {
  const limits = view.dials.filter(
    (d) =>
      d.ceiling.ceiling.kind !== "free" &&
      d.ceiling.reason.rule !== "barred-without-corridor",
  );
  return (
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
  );
}

/** The numbers to measure again today, and the scores the next gate asks for. */
function ToMeasure({
  episode,
  view,
  today,
  post,
}: {
  episode: string;
  view: Page["view"];
  today: string;
  post: Post;
}) {
  const due = view.dials.filter((d) => d.due).slice(0, 4);
  return (
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
                  ? `${withUnit(d.quantity, d.operated.last.measurement.value)}, ${t("day-n", { day: d.operated.last.day })}`
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
      <ScoreEntry today={today} post={post} asked={askedScores(view)} />
    </section>
  );
}
