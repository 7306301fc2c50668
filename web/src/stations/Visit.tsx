import "../app/stationWords";
import "../../../locales/en/stations/visit.ftl?learn";
import { InTurn } from "../app/InTurn";
import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Schemas } from "../app/client";
import { SaveMark, type SaveState, useEntry } from "../app/entries";
import { useBounds } from "../app/numbers";
import { Pending, ProblemNote } from "../app/parts";
import { nameOf, sentence, shortDate, t } from "../app/wording";
import { Decide } from "./Decide";
import { FlagLine } from "./visit/FlagLine";
import { FromHome } from "./visit/FromHome";
import { Gate } from "./visit/Gate";
import { Held } from "./visit/Held";
import { Log } from "./visit/Log";
import { Note, type Sent } from "./visit/Note";
import { RangeStrip } from "./visit/RangeStrip";
import { Notices } from "./visit/Notices";
import { Appointments } from "./visit/Appointments";
import { AtADistance, HowHeld } from "./visit/HowHeld";
import type { Post } from "./visit/post";
import { postTo } from "./visit/postTo";
import { askedScores, ScoreEntry } from "./visit/ScoreEntry";
import { TryOut } from "./visit/TryOut";
import { WhatWasRead } from "./visit/WasRead";
import { Watched } from "./visit/Watched";
import { Notice } from "../app/Notice";
import { renew } from "../app/queryKeys";
import { useVisitPage } from "./visit/useVisitPage";
import { adherenceText } from "./visit/adherence";
import { useReady } from "../app/useReady";

type Page = Schemas["VisitPage"];

/** The follow-up on one page: since last time, limits, what to measure, what to decide, a week at home, the note. */
export function Visit({ episode }: { episode: string }) {
  const queries = useQueryClient();
  const page = useVisitPage(episode);
  const { keep, keepAll, state, error, setError } = useEntry(episode);
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const { view } = page.data;
  const post: Post = postTo(keep, queries, episode);
  // Without a pathway nothing is asked of the patient at home yet, and there is nothing to log.
  const unplanned = view.corridors.length === 0 && !view.phase;
  const { today } = page.data;
  const sent = howSent(state, page.isFetching);
  const refresh = () => {
    renew(queries, ["visit", "story", "ranges", "day-list", "timeline"]);
  };
  const { lines, decided } = page.data;
  /** Decisions beside the week they rest on; then what the next gate asks beside the day's own words. */
  const laid = (week: ReactNode, day: ReactNode) => (
    <>
      <div className="visit-two">
        <div>
          {!unplanned && (
            <Decide
              day={view.clock.day}
              decisions={view.decisions}
              lines={lines}
              decided={decided}
              today={today}
              post={post}
            />
          )}
          <section className="block" id="asked">
            <h2>{t("visit-asked")}</h2>
            <ScoreEntry today={today} post={post} asked={askedScores(view)} />
          </section>
        </div>
        <div>{week ?? <DayEnd page={page.data} sent={sent} post={post} />}</div>
      </div>
      {(view.untried.length > 0 || view.retest) &&
        view.contact.try_out !== "no" && (
          <TryOut
            exercises={view.untried}
            retest={view.retest}
            today={today}
            post={post}
          />
        )}
      {week && (
        <div className="visit-two">
          <div>
            {view.gate && (
              <Gate
                episode={episode}
                gate={view.gate}
                far={view.contact}
                today={today}
                post={post}
              />
            )}
            {view.watches.length > 0 && <Watched watches={view.watches} />}
          </div>
          <div>
            {day}
            <DayEnd page={page.data} sent={sent} post={post} />
          </div>
        </div>
      )}
    </>
  );
  return (
    <div className="visit">
      <div className="page-head">
        <h1 className="num">
          {t("weeks-days", { weeks: view.clock.weeks, days: view.clock.days })}
        </h1>
        <span className="soft num">{t("day-n", { day: view.clock.day })}</span>
        <span>{view.phase ? nameOf("phase", view.phase) : ""}</span>
        <span className="right row">
          <SaveMark state={state} />
          <Link className="small" to={`/e/${episode}/handover`}>
            {t("nav-handover")}
          </Link>
          <HowHeld contact={view.contact} today={today} post={post} />
        </span>
      </div>
      <ProblemNote error={error} />
      <InTurn>
        <FromHome episode={episode} told={page.data.from_home} />
        <Notices episode={episode} view={view} />
        <Held
          episode={episode}
          view={view}
          onDone={refresh}
          onError={setError}
        />
        <AtADistance episode={episode} contact={view.contact} />
        <Since
          episode={episode}
          page={page.data}
          unplanned={unplanned}
          onAsked={refresh}
          onError={setError}
        />
        <RangeStrip episode={episode} view={view} today={today} post={post} />
        {unplanned && <WhatWasRead episode={episode} />}
        {view.kit_missed.length > 0 && (
          <Notice id="kit-missed" kind="decide">
            {t("visit-kit-missed", {
              kit: view.kit_missed.map((k) => nameOf("kit", k.kit)).join(", "),
            })}{" "}
            <Link to={`/e/${episode}/home`}>{t("nav-home")}</Link>
          </Notice>
        )}
        {view.short_plan && (
          <Notice id="short-plan" kind="decide">
            {sentence(view.short_plan)}{" "}
            <Link to={`/e/${episode}/program?short=1`}>
              <Button size="small">{t("short-plan-propose")}</Button>
            </Link>
          </Notice>
        )}
        {unplanned ? (
          laid(null, null)
        ) : (
          <Log
            episode={episode}
            page={page.data}
            post={post}
            postAll={keepAll}
            onAsked={refresh}
            onError={setError}
          >
            {laid}
          </Log>
        )}
      </InTurn>
    </div>
  );
}

/** How far the day's entries have come, for what is drafted from them. */
function howSent(state: SaveState, asking: boolean): Sent {
  if (state === "saving") return "under";
  if (state === "waits") return "waits";
  return asking ? "under" : "in";
}

/** What ends a visit: the next appointment, and the signed note. */
function DayEnd({ page, sent, post }: { page: Page; sent: Sent; post: Post }) {
  // Until the server has said how much it keeps, it judges.
  const noteMost = useBounds()("note_characters")?.max ?? Infinity;
  return (
    <>
      <Appointments
        list={page.view.appointments}
        today={page.today}
        post={post}
      />
      <Note most={noteMost} page={page} sent={sent} post={post} />
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
    <section className="block visit-since" id="since">
      <div>
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
        {!unplanned && <p className="num">{adherenceText(view)}</p>}
      </div>
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
