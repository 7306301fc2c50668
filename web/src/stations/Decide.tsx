import Button from "antd/es/button";
import { useState } from "react";
import { newId, type Schemas } from "../app/client";
import { doseInShort, muchOf } from "../app/dose";
import { useFaulty } from "../app/faulty";
import { NumberField } from "../app/NumberField";
import { nameOf, sentence, shortDate, t } from "../app/wording";
import { Ten } from "../app/parts";
import { given, inWords, NO_REASON, Why } from "../app/Why";
import { MoveMark } from "../pictures/Marks";
import type { Post } from "./visit/post";
import { LeftBefore } from "../app/LeftBefore";
import { same } from "../app/merge";
import { useKeptOfDay } from "../app/useKeptOfDay";
import Tooltip from "antd/es/tooltip";

type Decision = Schemas["LineDecision"];

/** What a change comes to, in a few words. */
function changeText(
  change: Schemas["Change"],
  from: Schemas["Line"] | undefined,
): string {
  if (change.kind === "exercise")
    return t("change-exercise", {
      next: change.exercise,
      much: doseInShort(change.dose),
    });
  if (change.kind !== "dose")
    return change.kind === "remove" ? t("change-remove") : t("change-none");
  const d = change.dose,
    was = from?.dose;
  const load =
    d.load_kg != null
      ? ` · ${d.load_kg} kg`
      : d.elastic_level != null
        ? ` · ${t("level-n", { n: d.elastic_level })}`
        : "";
  const often =
    was && was.times_per_day !== d.times_per_day
      ? ` · ${d.times_per_day}/${t("day")}`
      : "";
  const before = was ? `${doseInShort(was)} → ` : "";
  return `${before}${doseInShort(d)}${load}${often}`;
}

/** One decision for each exercise: rule, inputs, alternatives, the sentence for the patient. */
export function Decide({
  decisions,
  lines,
  decided,
  today,
  day,
  post,
}: {
  day: number;
  decisions: Decision[];
  lines: Schemas["Line"][];
  decided: Schemas["DecidedView"][];
  today: string;
  post: Post;
}) {
  const [open, setOpen] = useState<string>();
  const asks = decisions.filter(
    (d) => d.change.kind !== "none" || d.kind === "stop",
  );
  const stay = decisions.filter((d) => !asks.includes(d));
  // What holds everything up is asked right here: how was this morning?
  const morning = decisions.some(
    (d) =>
      d.rule.rule === "hold-no-morning-answer" && d.rule.args["day"] === day,
  );
  const answered = (d: Decision) =>
    decided.find((x) => x.line === d.line && x.on === today);
  const todays = decided.filter((x) => x.on === today);
  // Going on is accepted together; what stops, steps back or eases is looked at one by one.
  const forward = asks.filter(
    (d) =>
      (d.kind === "progress_dose" || d.kind === "next_rung") && !answered(d),
  );
  // What speaks for all of them is said once.
  const whys = new Set(forward.map((d) => sentence(d.rule)));
  const shared =
    forward.length > 1 && whys.size === 1 ? [...whys][0] : undefined;
  const [accepting, setAccepting] = useState(false);
  const acceptAll = async () => {
    setAccepting(true);
    // One after the other: each is judged by what the one before it left.
    for (const d of forward)
      if (!(await post(answerTo(d, newId(), "accepted"), `decision-${d.line}`)))
        break;
    setAccepting(false);
  };
  const row = (d: Decision, quiet: boolean) => (
    <Row
      key={d.line}
      d={d}
      quiet={quiet}
      said={shared !== undefined && forward.includes(d)}
      line={lines.find((l) => l.id === d.line)}
      answered={answered(d)}
      today={today}
      open={open === d.line}
      onOpen={() => setOpen(open === d.line ? undefined : d.line)}
      post={post}
    />
  );
  return (
    <section className="block" id="decide">
      <h2>
        <Tooltip title={t("decide-lead")}>
          <span>{t("decide-title")}</span>
        </Tooltip>
      </h2>
      {morning && (
        <p className="ask-now">
          <b>{t("decide-morning")}</b>{" "}
          <Ten
            label={t("log-pain_next_morning")}
            onPick={(value) =>
              void post(
                {
                  kind: "log",
                  body: {
                    id: newId(),
                    on: today,
                    exercise: null,
                    kind: "pain_next_morning",
                    value,
                  },
                  says: `${shortDate(today)}: ${t("log-pain_next_morning")} ${value}`,
                },
                "morning",
              )
            }
          />
        </p>
      )}
      {todays.length > 0 && (
        <ul className="decided-today small plainlist">
          {todays.map((x, i) => (
            <li key={i}>
              <MoveMark kind={x.proposed} size={16} />{" "}
              {nameOf("exercise", x.exercise)}:{" "}
              {t(`move-${x.proposed.replaceAll("_", "-")}`)}.{" "}
              <b>{t(`decided-${x.answer}`)}</b>
              {x.reason && ` (${x.reason})`}
            </li>
          ))}
        </ul>
      )}
      {decisions.length === 0 && <p className="soft">{t("decide-none")}</p>}
      {forward.length > 1 && (
        <div className="accept-all">
          <Button
            id="accept-all"
            disabled={accepting}
            onClick={() => void acceptAll()}
          >
            {t("decide-accept-all", { count: forward.length })}
          </Button>
          <span className="small">
            {shared} <span className="soft">{t("defers")}</span>
          </span>
        </div>
      )}
      {asks.map((d) => row(d, false))}
      {stay.length > 0 && (
        <h3 className="decide-stay">
          {t("decide-stay", { count: stay.length })}
        </h3>
      )}
      {stay.map((d) => row(d, true))}
      {forward.length <= 1 && (
        <p className="soft small above-8">{t("defers")}</p>
      )}
    </section>
  );
}

/** An answer to a proposal, as an entry. */
function answerTo(
  d: Decision,
  id: string,
  answer: "accepted" | "changed" | "overridden",
  reason = NO_REASON,
  change: Schemas["Change"] | null = null,
) {
  return {
    kind: "decision" as const,
    body: {
      id,
      line: d.line,
      kind: d.kind,
      answer,
      reason: reason.words,
      reason_code: reason.code ?? null,
      change,
    },
    says: `${nameOf("exercise", d.exercise)}: ${t(`decided-${answer}`)}${given(reason) ? ` (${inWords(reason)})` : ""}`,
  };
}

function Row({
  d,
  quiet,
  said: told,
  line,
  answered,
  open,
  onOpen,
  today,
  post,
}: {
  d: Decision;
  /** Words typed on another day belong to that day's decision. */
  today: string;
  quiet: boolean;
  /** Its rule is said above already. */
  said: boolean;
  line: Schemas["Line"] | undefined;
  answered: Schemas["DecidedView"] | undefined;
  open: boolean;
  onOpen: () => void;
  post: Post;
}) {
  const kept = useKeptOfDay(`decide-${d.line}`, today, NO_REASON);
  const reason = kept.value;
  const said = given(reason);
  const [id, setId] = useState(newId);
  const say = (
    answer: "accepted" | "changed" | "overridden",
    change: Schemas["Change"] | null,
  ) => {
    // Words that nobody sees are not sent along; they stay.
    const words = open ? reason : NO_REASON;
    void post(
      answerTo(d, id, answer, words, change),
      `decision-${d.line}`,
    ).then((ok) => {
      if (!ok) return;
      kept.set((now) => (same(now, words) ? NO_REASON : now));
      setId(newId());
    });
  };
  return (
    <div
      className={`decision ${d.kind}${open ? " open" : ""}${quiet ? " quiet" : ""}`}
      data-exercise={d.exercise}
      data-kind={d.kind}
    >
      <MoveMark kind={d.kind} />
      <div>
        <button className="plain" aria-expanded={open} onClick={onOpen}>
          <b>{nameOf("exercise", d.exercise)}</b>{" "}
          <span className="kind">
            {t(`move-${d.kind.replaceAll("_", "-")}`)}
          </span>
        </button>
        <p className="small">
          {told ? "" : sentence(d.rule)}
          {!quiet && d.change.kind !== "none" && (
            <>
              {" "}
              <b className="num">{changeText(d.change, line)}</b>
            </>
          )}
        </p>
        {open && (
          <div className="decision-more">
            <ul className="reasons small">
              {d.inputs.map((i) => (
                <li key={sentence(i)} className="unmarked">
                  {sentence(i)}
                </li>
              ))}
            </ul>
            <p className="small">
              <span className="soft">{t("decide-patient")}</span> “
              {sentence(d.patient)}”
            </p>
            {d.alternatives.length > 0 && <h4>{t("decide-alternatives")}</h4>}
            {d.alternatives.map((a, i) => (
              <p key={i} className="small alternative">
                <MoveMark kind={a.kind} size={16} />{" "}
                <span>
                  <b>{t(`move-${a.kind.replaceAll("_", "-")}`)}</b>{" "}
                  {a.change.kind !== "none" && (
                    <span className="num">{changeText(a.change, line)}</span>
                  )}
                  <br />
                  <span className="soft">
                    {t("decide-not-because")} {sentence(a.reason)}
                  </span>
                </span>
                {a.overridable ? (
                  <Button
                    size="small"
                    disabled={!said}
                    onClick={() => say("changed", a.change)}
                  >
                    {t("decide-instead")}
                  </Button>
                ) : (
                  <span className="soft">{t("may-not-override")}</span>
                )}
              </p>
            ))}
            <Why
              id={`why-${d.line}`}
              of="decision"
              label={t("decide-reason")}
              value={reason}
              onChange={(next) => kept.set(() => next)}
            />
            <LeftBefore kept={kept} says={inWords} />
            {line && (
              <Own
                line={line}
                disabled={!said || d.kind === "stop"}
                onTake={(change) => say("changed", change)}
              />
            )}
          </div>
        )}
      </div>
      <div className="decision-do">
        {answered ? (
          <span className="small">{t(`decided-${answered.answer}`)}</span>
        ) : quiet ? null : (
          <Button
            type="primary"
            size="small"
            onClick={() => say("accepted", null)}
          >
            {t("decide-accept")}
          </Button>
        )}
        {!answered && open && (
          <Button
            size="small"
            disabled={!said}
            onClick={() => say("overridden", null)}
          >
            {t("decide-override")}
          </Button>
        )}
      </div>
    </div>
  );
}

/** Another dose than any that was proposed. */
function Own({
  line,
  disabled,
  onTake,
}: {
  line: Schemas["Line"];
  disabled: boolean;
  onTake: (c: Schemas["Change"]) => void;
}) {
  const [dose, setDose] = useState(line.dose);
  const fields = useFaulty();
  const changed = JSON.stringify(dose) !== JSON.stringify(line.dose);
  return (
    <div className="own-dose small">
      {(["sets", muchOf(line.dose)[0], "times_per_day"] as const).map((f) => (
        <NumberField
          key={f}
          required
          rule={f}
          label={nameOf("field", f)}
          value={dose[f] ?? null}
          onValue={fields.take(f, (n) =>
            setDose((now) => ({ ...now, [f]: n ?? line.dose[f] })),
          )}
        />
      ))}
      <Button
        size="small"
        disabled={disabled || !changed}
        onClick={() => fields.clear() && onTake({ kind: "dose", dose })}
      >
        {t("decide-own")}
      </Button>
    </div>
  );
}
