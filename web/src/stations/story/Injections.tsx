import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Link } from "react-router";
import { newId, type Schemas } from "../../app/client";
import { DateInput } from "../../app/DateInput";
import { SaveMark, useEntry } from "../../app/entries";
import { ProblemNote } from "../../app/parts";
import { capital, nameOf, shortDate, t } from "../../app/wording";

type What = Schemas["Injected"];
const WHAT: What[] = ["steroid", "other"];

/** Injections, which rest resisted work, and what imaging has shown, which ends the guessing; each with its date. */
export function Injections({
  episode,
  injections,
  imaging,
  today,
  onKept,
}: {
  episode: string;
  injections: Schemas["ExamNote"][];
  imaging: Schemas["ExamNote"][];
  today: string;
  onKept: () => void;
}) {
  const [what, setWhat] = useState<What>("steroid");
  const [on, setOn] = useState("");
  const { keep, state, error } = useEntry(episode);
  const record = () => {
    const id = newId();
    void keep(
      {
        kind: "exam_note",
        body: { id, on, kind: "injection", what },
        says: `${t("injection-title")}: ${nameOf("injected", what)}, ${shortDate(on)}`,
      },
      id,
    ).then((kept) => {
      if (!kept) return;
      setOn("");
      onKept();
    });
  };
  return (
    <section className="block" id="injections">
      <p className="soft small">{t("injection-lead")}</p>
      <ProblemNote error={error} />
      <div className="sheet">
        <ul className="plainlist">
          {imaging.map(
            (note) =>
              note.kind === "known" && (
                <li key={note.id}>
                  <b>{capital(nameOf("by", note.by))}</b>{" "}
                  <span className="num">{shortDate(note.on)}</span>:{" "}
                  {t(note.present ? "imaging-shows" : "imaging-excludes", {
                    hypothesis: note.about,
                  })}
                </li>
              ),
          )}
          {injections.map(
            (note) =>
              note.kind === "injection" && (
                <li key={note.id}>
                  <b>{nameOf("injected", note.what)}</b>{" "}
                  <span className="num">{shortDate(note.on)}</span>
                </li>
              ),
          )}
        </ul>
        <p className="soft small flush">
          <Link to={`/e/${episode}/read`}>{t("imaging-add")}</Link>
        </p>
        <p className="row wrap above-6">
          <Segmented<What>
            value={what}
            onChange={setWhat}
            options={WHAT.map((value) => ({
              value,
              label: nameOf("injected", value),
            }))}
          />
          <DateInput
            id="injection-on"
            className="w-190"
            aria-label={t("injection-on")}
            placeholder={t("injection-on")}
            latest={today}
            value={on}
            onChange={setOn}
          />
          <Button id="injection-keep" disabled={on === ""} onClick={record}>
            {t("injection-keep")}
          </Button>
          <SaveMark state={state} />
        </p>
      </div>
    </section>
  );
}
