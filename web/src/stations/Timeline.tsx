import "../app/stationWords";
import "../../../locales/en/stations/timeline.ftl?learn";
import { keepPreviousData, useInfiniteQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import Input from "antd/es/input";
import Course from "antd/es/timeline";
import { useEffect, useState } from "react";
import { api, ask, type Schemas } from "../app/client";
import { SaveMark, useEntry } from "../app/entries";
import { Nothing } from "../app/Nothing";
import { Pending, ProblemNote } from "../app/parts";
import { useAddress } from "../app/useAddress";
import { NO_REASON, Why } from "../app/Why";
import { moment, nameOf, sentence, shortDate, t } from "../app/wording";
import { useMe } from "../app/me";
import { Link } from "react-router";
import { queryKeys } from "../app/queryKeys";
import { useKept } from "../app/useKept";
import { useReady } from "../app/useReady";

type Entry = Schemas["TimelineEntry"];

/** What may be looked at by itself. */
const KINDS: Record<string, string[]> = {
  all: [],
  notes: ["note", "story", "person_corrected"],
  flags: ["flag_answer", "flag_step", "flag_raised"],
  limits: ["limit", "limit_end", "measurement", "breach_answer"],
  plan: ["program_signed", "decision", "gate_pass", "attestation", "line_step"],
  home: ["log", "score", "week_use", "home_message", "home_read", "home_hours"],
  contacts: ["contact", "appointment", "care"],
};

/** Kinds that can be taken back from here, by the word the server knows. */
const TAKE_BACK = new Set([
  "measurement",
  "finding",
  "exam_note",
  "strength_trial",
  "outcome_sheet",
  "score",
  "attestation",
  "log",
  "limit",
  "limit_end",
  "breach_answer",
  "gate_pass",
  "week_use",
  "appointment",
  "decision",
]);

/** Everything that happened to this person, newest first: nothing signed is ever unreadable. */
export function Timeline({ patient }: { patient: string }) {
  const { params, look } = useAddress();
  const only = params.get("kind") ?? "all";
  const search = params.get("q") ?? "";
  const [typed, setTyped] = useState(search);
  useEffect(() => {
    if (typed === search) return;
    const timer = window.setTimeout(() => look({ q: typed }), 200);
    return () => window.clearTimeout(timer);
  }, [typed, search, look]);
  const kinds = KINDS[only] ?? [];
  const pages = useInfiniteQuery({
    queryKey: queryKeys.timeline(patient, only, search),
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) =>
      ask(
        api.GET("/api/patients/{id}/timeline", {
          params: {
            path: { id: patient },
            query: {
              kinds: kinds.join(","),
              search,
              ...(pageParam === undefined ? {} : { before: pageParam }),
            },
          },
        }),
      ),
    getNextPageParam: (last) => last.before ?? undefined,
    placeholderData: keepPreviousData,
  });
  const role = useMe()?.role;
  const audits = role === "lead" || role === "auditor";
  const ready = useReady(pages.data !== undefined);
  if (!pages.data || !ready) return <Pending query={pages} />;
  const entries = pages.data.pages.flatMap((p) => p.entries);
  const bySeq = new Map(entries.map((e) => [e.seq, e]));
  const days = [...new Set(entries.map((e) => e.entered_on))];
  return (
    <>
      <div className="page-head">
        <h1>{t("timeline-title")}</h1>
        <span className="soft">{t("timeline-lead")}</span>
        {audits && (
          <Link
            className="right small no-print"
            id="timeline-trail"
            to={`/clinic/trail?patient=${patient}`}
          >
            {t("timeline-trail")}
          </Link>
        )}
      </div>
      <p className="row wrap below-14">
        <Input
          id="timeline-search"
          className="w-240 no-print"
          allowClear
          placeholder={t("timeline-search")}
          aria-label={t("timeline-search")}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <Segmented
          className="timeline-filter"
          value={only}
          onChange={(kind) => look({ kind: kind === "all" ? "" : kind })}
          options={Object.keys(KINDS).map((value) => ({
            value,
            label: t(`timeline-${value}`),
          }))}
        />
      </p>
      {entries.length === 0 && <Nothing says={t("timeline-none")} />}
      {days.map((day) => (
        <section className="block timeline-day" key={day}>
          <h2 className="size-17">{shortDate(day)}</h2>
          <Course
            className="timeline"
            items={entries
              .filter((e) => e.entered_on === day)
              .map((e) => ({
                key: e.seq,
                icon: <EventMark kind={e.kind} />,
                content: (
                  <Row
                    entry={e}
                    bySeq={bySeq}
                    onDone={() => void pages.refetch()}
                  />
                ),
              }))}
          />
        </section>
      ))}
      {pages.hasNextPage && (
        <Button
          id="timeline-more"
          loading={pages.isFetchingNextPage}
          onClick={() => void pages.fetchNextPage()}
        >
          {t("timeline-more")}
        </Button>
      )}
    </>
  );
}

function Row({
  entry: e,
  bySeq,
  onDone,
}: {
  entry: Entry;
  bySeq: Map<number, Entry>;
  onDone: () => void;
}) {
  const [asking, setAsking] = useState(false);
  return (
    <div
      className={e.taken_back ? "taken" : ""}
      data-kind={e.kind}
      data-seq={e.seq}
    >
      <p className="flush">
        <b>{sentence(e.says)}</b>{" "}
        <span className="soft small">
          {e.by ?? t(e.from_home ? "timeline-from-home" : "timeline-by-rule")},{" "}
          {moment(e.at).split(", ").pop()}
          {e.late ? ` · ${t("timeline-late", { date: shortDate(e.on) })}` : ""}
        </span>
        {!e.taken_back && TAKE_BACK.has(e.kind) && e.episode && (
          <Button
            size="small"
            type="text"
            className="quiet"
            onClick={() => setAsking(!asking)}
          >
            {t(asking ? "cancel" : "take-back")}
          </Button>
        )}
      </p>
      {e.words.map((w, i) => (
        <p className="flush small pre" key={`${w.label}-${i}`}>
          <span className="soft">{nameOf("words", w.label)}:</span> {w.text}
        </p>
      ))}
      {e.later.map((l) => (
        <p className="flush small soft" key={l.seq + l.role}>
          {t("timeline-later", { role: l.role })}{" "}
          {bySeq.has(l.seq)
            ? shortDate(bySeq.get(l.seq)?.entered_on ?? "")
            : ""}
        </p>
      ))}
      {asking && e.episode && (
        <TakeBack
          entry={e}
          episode={e.episode}
          onDone={() => {
            setAsking(false);
            onDone();
          }}
        />
      )}
    </div>
  );
}

/** What sort of event it is, by its shape: words and signatures filled, flags on their corner, the rest a ring. */
function EventMark({ kind }: { kind: string }) {
  const shape = kind.startsWith("flag_")
    ? "flag"
    : kind === "note" || kind === "program_signed"
      ? "signed"
      : "plain";
  return <span className={`event-mark ${shape}`} />;
}

/** Taking back, with a reason; the entry stays readable. */
function TakeBack({
  entry,
  episode,
  onDone,
}: {
  entry: Entry;
  episode: string;
  onDone: () => void;
}) {
  const [reason, setReason] = useKept(`take-back-${entry.id}`, NO_REASON);
  const { keep, state, error } = useEntry(episode);
  return (
    <>
      <ProblemNote error={error} />
      <Why
        id={`why-${entry.seq}`}
        of="take_back"
        label={t("take-back-why")}
        value={reason}
        onChange={setReason}
      />
      <p className="row above-6">
        <Button
          onClick={() =>
            void keep(
              {
                kind: "withdrawal",
                body: {
                  entry: entry.id,
                  kind: entry.kind,
                  reason: reason.words,
                  reason_code: reason.code ?? null,
                },
                says: `${t("take-back")}: ${sentence(entry.says)}`,
              },
              entry.id,
            ).then((kept) => {
              if (!kept) return;
              setReason(NO_REASON);
              onDone();
            })
          }
        >
          {t("take-back")}
        </Button>
        <SaveMark state={state} />
      </p>
    </>
  );
}
