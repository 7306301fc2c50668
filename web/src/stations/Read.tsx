import "../app/stationWords";
import "../../../locales/en/stations/read.ftl?learn";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, ask, newId } from "../app/client";
import { SaveMark, useEntry } from "../app/entries";
import { Pending, ProblemNote } from "../app/parts";
import { clock, nameOf, sentence, t } from "../app/wording";
import { Next, Responses, Summary, Unused, WorkedOut } from "./read/Aside";
import { Beams } from "./read/Beams";
import { Compare } from "./read/Compare";
import { Criteria } from "./read/Criteria";
import { Changes, Impairments } from "./read/Found";
import { Irritability } from "./read/Irritability";
import { State } from "./read/State";
import type { OnNote, Page } from "./read/types";
import { Notice } from "../app/Notice";
import { queryKeys } from "../app/queryKeys";
import { useReady } from "../app/useReady";

/** What is likely, how irritable it is, what is impaired; never a diagnosis. */
export function Read({ episode, today }: { episode: string; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: queryKeys.reading(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const cards = useQuery({
    queryKey: queryKeys.tests,
    queryFn: () => ask(api.GET("/api/tests")),
    staleTime: Infinity,
  });
  const { keep, state, error } = useEntry(episode);
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const { view } = page.data;
  const note: OnNote = async (fact) => {
    const done = await keep(
      {
        kind: "exam_note",
        body: { id: newId(), on: today, ...fact },
        says: t(`note-${fact.kind}`),
      },
      JSON.stringify(fact),
    );
    if (done?.reply !== undefined)
      queries.setQueryData(queryKeys.reading(episode), done.reply as Page);
    return done !== undefined;
  };
  const unit = (test: string) => cards.data?.find((c) => c.id === test)?.unit;
  // A condition whose criterion is there stands above the beams: it comes first in thought as well.
  const first = view.conditions.some(
    (c) => c.status === "met" || c.status === "range_only",
  );
  return (
    <div id="read">
      <div className="page-head">
        <h1>{t(view.operated ? "read-title-operated" : "read-title")}</h1>
        <span className="soft num">{clock(page.data.clock)}</span>
        <SaveMark state={state} />
        <span className="right soft small w-520">{t("read-caution")}</span>
      </div>
      <ProblemNote error={error} />
      {view.flags.map((f) => (
        <Notice key={f.flag} role="alert" kind="stop">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}
          </b>
          {f.reason && <p>{sentence(f.reason)}</p>}
          <Link to={`/e/${episode}/story`}>{t("read-flag-act")}</Link>
        </Notice>
      ))}
      {view.challenge && (
        <Notice role="alert" id="challenged" kind="decide">
          {sentence(view.challenge)}{" "}
          <Link to={`/e/${episode}/program`}>{t("nav-program")}</Link>
        </Notice>
      )}
      <div className="read">
        <div>
          {first && <Criteria view={view} onNote={note} />}
          {view.operated ? (
            <State view={view} />
          ) : (
            <Beams view={view} onNote={note} />
          )}
          {!first && !view.operated && <Criteria view={view} onNote={note} />}
          <Changes view={view} />
          <Compare episode={episode} />
          <Impairments view={view} />
        </div>
        <aside>
          <Irritability page={page.data} onNote={note} />
          <Next view={view} episode={episode} />
          <WorkedOut page={page.data} episode={episode} onNote={note} />
          <Responses kept={view.responses} onNote={note} />
          <Unused page={page.data} unit={unit} />
          <Summary view={view} />
        </aside>
      </div>
    </div>
  );
}
