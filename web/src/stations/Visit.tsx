import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { SaveMark, useEntries } from "../app/entries";
import { useBounds } from "../app/numbers";
import { Pending, ProblemNote } from "../app/parts";
import { clock, nameOf, sentence, shortDate, t } from "../app/wording";
import { Decide } from "./Decide";
import { FlagLine } from "./visit/FlagLine";
import { Gate } from "./visit/Gate";
import { Held } from "./visit/Held";
import { Log } from "./visit/Log";
import { Note } from "./visit/Note";
import { RangeStrip } from "./visit/RangeStrip";
import { Notices } from "./visit/Notices";
import type { Post } from "./visit/post";
import { askedScores, ScoreEntry } from "./visit/ScoreEntry";
import { TryOut } from "./visit/TryOut";
import { WhatWasRead } from "./visit/WasRead";
import { Watched } from "./visit/Watched";

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
  const { keep, keepAll, state, error, setError } = useEntries(episode);
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
  const note = <Note most={noteMost} page={page.data} post={post} />;
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
      <Since
        episode={episode}
        page={page.data}
        unplanned={unplanned}
        onAsked={refresh}
        onError={setError}
      />
      <RangeStrip episode={episode} view={view} today={today} post={post} />
      {unplanned && <WhatWasRead episode={episode} />}
      {view.short_plan && (
        <div className="notice decide" id="short-plan">
          {sentence(view.short_plan)}{" "}
          <Link to={`/e/${episode}/program?short=1`}>
            <Button size="small">{t("short-plan-propose")}</Button>
          </Link>
        </div>
      )}
      <div className="visit-two">
        <div>
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
          <section className="block" id="asked">
            <h2>{t("visit-asked")}</h2>
            <ScoreEntry today={today} post={post} asked={askedScores(view)} />
          </section>
        </div>
        <div>
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
          postAll={keepAll}
          onAsked={refresh}
          onError={setError}
        >
          {note}
        </Log>
      )}
      {unplanned && note}
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
        <p className="num">
          {view.adherence_pct != null
            ? t("visit-adherence", {
                pct: Math.round(view.adherence_pct),
                known: Math.round(view.known_pct ?? 0),
                days: view.adherence_days,
              })
            : t("visit-unlogged", { days: view.adherence_days })}
        </p>
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
