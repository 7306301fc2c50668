import "../app/stationWords";
import "../../../locales/en/stations/handover.ftl?learn";
import "../../../locales/en/stations/visit.ftl?learn";
import Button from "antd/es/button";
import { useState } from "react";
import { Choose } from "../app/Choose";
import { newId, type Schemas } from "../app/client";
import { doseInShort } from "../app/dose";
import { SaveMark, useEntry } from "../app/entries";
import { Notice } from "../app/Notice";
import { Pending, ProblemNote } from "../app/parts";
import { usePeople } from "../app/usePeople";
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
import { StatusMark } from "../pictures/Marks";
import { Notices } from "./visit/Notices";
import { useVisitPage } from "./visit/useVisitPage";
import { adherenceText } from "./visit/adherence";
import { useReady } from "../app/useReady";

type View = Schemas["VisitView"];

/** One page for a colleague: where we are, what holds, what is open, what to do if. Read on paper as well as here. */
export function Handover({
  episode,
  story,
}: {
  episode: string;
  story: Schemas["StoryPage"];
}) {
  const page = useVisitPage(episode);
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const { view, treated_by, last_note, today, lines } = page.data;
  const { head } = story;
  return (
    <div className="handover">
      <div className="page-head">
        <h1>{t("handover-title")}</h1>
        <span className="soft num">{shortDate(today)}</span>
        <Button
          className="right no-print"
          id="print"
          onClick={() => window.print()}
        >
          {t("find-print")}
        </Button>
      </div>
      <p className="flush">
        <b>{head.name}</b>, {nameOf("side", story.story.side)},{" "}
        {story.story.work || t("no-work")}.{" "}
        {capital(nameOf("pathway", story.story.pathway))},{" "}
        <b className="num">{clock(view.clock)}</b>
        {view.phase ? `, ${nameOf("phase", view.phase)}` : ""}.{" "}
        {treated_by
          ? t("handover-treated", { person: treated_by.name })
          : t("handover-nobody")}{" "}
        {treated_by?.covered_by &&
          t("handover-covered", { person: treated_by.covered_by })}
      </p>
      {story.story.mechanism && (
        <p className="small soft pre flush">{story.story.mechanism}</p>
      )}
      <Notices episode={episode} view={view} />
      <div className="two handover-two">
        <div>
          <Holds view={view} />
          <Exercises lines={lines} view={view} />
        </div>
        <div>
          <Open view={view} />
          <IfThen view={view} />
        </div>
      </div>
      {last_note && (
        <section className="block">
          <h2>{t("handover-last-note")}</h2>
          <p className="pre flush">
            {last_note.body}{" "}
            <span className="soft small">
              {t("visit-note-of", { date: shortDate(last_note.on) })}
            </span>
          </p>
        </section>
      )}
      <p className="small soft">{t("defers")}</p>
      <Take episode={episode} today={today} treats={treated_by?.id} />
    </div>
  );
}

/** The last measured value and its day. */
function lastText({ quantity, operated: { last } }: Schemas["Dial"]): string {
  if (!last) return "";
  const value = withUnit(quantity, last.measurement.value);
  return `; ${t("visit-last")} ${value}, ${t("day-n", { day: last.day })}`;
}

/** What may be done today, and whose word that is. */
function Holds({ view }: { view: View }) {
  const limited = view.dials.filter(
    (d) =>
      d.ceiling.ceiling.kind === "up_to" &&
      d.ceiling.reason.rule !== "barred-without-corridor",
  );
  const barred = view.dials.filter(
    (d) =>
      d.ceiling.ceiling.kind === "none_allowed" &&
      d.ceiling.reason.rule !== "barred-without-corridor",
  );
  return (
    <section className="block" id="handover-limits">
      <h2>{t("visit-limits")}</h2>
      <ul className="plainlist">
        {limited.map((d) => (
          <li key={d.quantity}>
            {capital(nameOf("quantity", d.quantity))}{" "}
            <b className="num">
              {d.ceiling.ceiling.kind === "up_to"
                ? t("limit-up-to", {
                    ceiling: withUnit(d.quantity, d.ceiling.ceiling.value),
                  })
                : ""}
            </b>{" "}
            <span className="soft small">
              {nameOf("whose", d.ceiling.reason.rule)}
              {lastText(d)}
            </span>
          </li>
        ))}
      </ul>
      {barred.length > 0 && (
        <p className="small flush">
          <b>{capital(t("barred"))}:</b>{" "}
          {barred.map((d) => nameOf("quantity", d.quantity)).join(", ")}
        </p>
      )}
      {view.precautions.length > 0 && (
        <p className="small flush">
          <b>{t("visit-precautions")}</b>{" "}
          {view.precautions.map((p) => nameOf("precaution", p.id)).join(" · ")}
        </p>
      )}
    </section>
  );
}

/** What runs at home now, and what of it has never been tried in the room. */
function Exercises({ lines, view }: { lines: Schemas["Line"][]; view: View }) {
  if (lines.length === 0) return null;
  return (
    <section className="block" id="handover-lines">
      <h2>{t("decide-title")}</h2>
      <ul className="plainlist">
        {lines.map((l) => (
          <li key={l.id}>
            {nameOf("exercise", l.exercise)}{" "}
            <span className="num soft">
              {doseInShort(l.dose)}, {l.dose.times_per_day}/{t("day")}
            </span>
            {view.untried.includes(l.exercise) && (
              <b className="due small"> {t("handover-untried")}</b>
            )}
          </li>
        ))}
      </ul>
      <p className="num small flush">{adherenceText(view)}</p>
    </section>
  );
}

/** What waits for somebody: questions, measurements, decisions, the gate, the next appointment. */
function Open({ view }: { view: View }) {
  const missing = view.flags.filter((f) => f.asked && f.state === "not_asked");
  const due = view.dials.filter((d) => d.due);
  const waiting = view.decisions.filter((d) => d.change.kind !== "none");
  const unmet = view.gate?.criteria.filter((c) => c.status !== "met") ?? [];
  const next = view.appointments[0];
  return (
    <section className="block" id="handover-open">
      <h2>{t("handover-open")}</h2>
      <ul className="plainlist">
        {missing.length > 0 && (
          <li>{t("flags-missing", { count: missing.length })}</li>
        )}
        {due.length > 0 && (
          <li>
            {t("handover-measure")}{" "}
            {due.map((d) => nameOf("quantity", d.quantity)).join(", ")}
          </li>
        )}
        {waiting.map((d) => (
          <li key={d.line}>
            {nameOf("exercise", d.exercise)}:{" "}
            <b>{t(`move-${d.kind.replaceAll("_", "-")}`)}</b>.{" "}
            <span className="soft small">{sentence(d.rule)}</span>
          </li>
        ))}
        {view.gate && (
          <li>
            {t("gate-title", { gate: view.gate.gate })}{" "}
            <b className="num">
              {view.gate.met}/{view.gate.total}
            </b>
            , {t("day-n", { day: view.gate.opens_day })}
            <ul className="plainlist small">
              {unmet.map((c) => (
                <li key={c.id} className="row">
                  <StatusMark status={c.status} />
                  <span>
                    {sentence(c.asks)}{" "}
                    <span className="soft">{t(`status-${c.status}`)}</span>
                  </span>
                </li>
              ))}
            </ul>
          </li>
        )}
        <li>
          {t("appointment-next")}{" "}
          {next
            ? `${shortDate(next.day)}, ${next.time.slice(0, 5)}`
            : t("appointment-none")}
        </li>
      </ul>
    </section>
  );
}

/** What to do if: what this pathway watches for, and what stops everything, the most urgent first. */
function IfThen({ view }: { view: View }) {
  const tiers = [...new Set(view.flags.map((f) => f.tier))].slice(0, 2);
  return (
    <section className="block" id="handover-if">
      <h2>{t("handover-if")}</h2>
      <ul className="plainlist small">
        {tiers.map((tier) => (
          <li key={tier}>
            <b>{nameOf("tier", tier)}:</b>{" "}
            {view.flags
              .filter((f) => f.tier === tier && f.asked)
              .map((f) => nameOf("flag", f.flag))
              .join(" · ")}
          </li>
        ))}
        {view.watches.map((w) => (
          <li key={w.watch}>
            <b>{nameOf("watch", w.watch)}:</b> {attr(`watch-${w.watch}`, "do")}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Somebody else treats the shoulder from today on. */
function Take({
  episode,
  today,
  treats,
}: {
  episode: string;
  today: string;
  treats: string | undefined;
}) {
  const people = usePeople();
  const [who, setWho] = useState<string>();
  const { keep, state, error } = useEntry(episode);
  const [id, setId] = useState(newId);
  const others = (people.data?.people ?? []).filter(
    (p) => p.treats && p.id !== treats,
  );
  const name = others.find((p) => p.id === who)?.name;
  return (
    <div className="no-print">
      <ProblemNote error={error} />
      <p className="row wrap">
        <b>{t("handover-to")}</b>
        <Choose
          id="handover-who"
          className="w-240"
          aria-label={t("handover-to")}
          placeholder={t("handover-choose")}
          value={who}
          options={others.map((p) => ({ value: p.id, label: p.name }))}
          onChange={setWho}
        />
        <Button
          type="primary"
          id="handover-keep"
          disabled={!name}
          onClick={() =>
            void keep(
              {
                kind: "care",
                body: { id, on: today, who },
                says: t("handover-says", { person: name ?? "" }),
              },
              id,
            ).then((kept) => {
              if (!kept) return;
              setId(newId());
              setWho(undefined);
            })
          }
        >
          {t("handover-keep")}
        </Button>
        <SaveMark state={state} />
      </p>
      <Notice>{t("handover-cover-hint")}</Notice>
    </div>
  );
}
