import type { Schemas } from "../../app/client";
import { useState } from "react";
import { NumberField } from "../../app/NumberField";
import type { Typed } from "../../app/numbers";
import { nameOf, sentence, t } from "../../app/wording";
import type { OnNote, Page } from "./types";

type Vote = Page["view"]["irritability"]["votes"][number];
/** Questions answered with one of three words. */
const THREE = ["night", "end_range", "disability", "ache"] as const;

const LEVELS: Schemas["Irritability"][] = ["low", "moderate", "high"];

function lastVote(page: Page, question: string): number | null {
  const found = [...page.notes]
    .reverse()
    .find((n) => n.kind === "irritability" && n.question === question);
  return found?.kind === "irritability" ? found.value : null;
}

/** How easily it is stirred up, vote by vote. */
export function Irritability({ page, onNote }: { page: Page; onNote: OnNote }) {
  const { view } = page;
  return (
    <section className="block" id="irritability">
      <h2>
        {t("read-irritability")}{" "}
        <b className={`level ${view.irritability.level}`}>
          {view.irritability.undetermined
            ? t("undetermined")
            : nameOf("irritability", view.irritability.level)}
        </b>
      </h2>
      <p className="small soft">{sentence(view.irritability.rule)}</p>
      {view.irritability.votes.map((v) => (
        <Vote key={v.question} vote={v} page={page} onNote={onNote} />
      ))}
    </section>
  );
}

/** One vote: the worst pain as a number, three words, or what the shoulder itself says. */
function Vote({
  vote: v,
  page,
  onNote,
}: {
  vote: Vote;
  page: Page;
  onNote: OnNote;
}) {
  const three = THREE.find((name) => name === v.question);
  return (
    <div className="vote" data-vote={v.question}>
      <span>{nameOf("vote", v.question)}</span>
      {v.question === "worst_pain" ? (
        <WorstPain page={page} onNote={onNote} />
      ) : three ? (
        <span
          className="three"
          role="group"
          aria-label={nameOf("vote", v.question)}
        >
          {LEVELS.map((level, value) => (
            <button
              key={level}
              aria-pressed={v.level === level}
              onClick={() =>
                void onNote({ kind: "irritability", question: three, value })
              }
            >
              {t(`vote-${v.question.replace("_", "-")}-${value}`)}
            </button>
          ))}
        </span>
      ) : (
        <span className="small soft">
          {v.level ? `${nameOf("irritability", v.level)}: ` : ""}
          {v.reason ? sentence(v.reason) : ""}
        </span>
      )}
    </div>
  );
}

/** Nought to ten, kept when it is finished: Enter, or leaving the field. */
function WorstPain({ page, onNote }: { page: Page; onNote: OnNote }) {
  const kept = lastVote(page, "worst_pain");
  const [value, setValue] = useState<Typed>(kept);
  const [sent, setSent] = useState(kept);
  const done = () => {
    if (value == null || value === sent) return;
    setSent(value);
    void onNote({
      kind: "irritability",
      question: "worst_pain",
      value,
    }).then((ok) => {
      if (!ok) setSent(kept);
    });
  };
  return (
    <NumberField
      bare
      label={nameOf("vote", "worst_pain")}
      placeholder="0–10"
      rule="pain"
      value={value}
      onValue={setValue}
      onDone={done}
    />
  );
}
