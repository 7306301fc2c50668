import { CopyKey } from "../../app/CopyKey";
import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { NumberField } from "../../app/NumberField";
import { ProblemNote } from "../../app/parts";
import type { Typed } from "../../app/numbers";
import { nameOf, sentence, t } from "../../app/wording";
import { answerText } from "../examine/words";
import type { OnNote, Page, View } from "./types";
import { renew } from "../../app/queryKeys";

const SEVERITY = [
  "competition",
  "contact_or_overhead",
  "head_notch",
  "rim_loss",
] as const;

/** The tests that would tell most next. */
export function Next({ view, episode }: { view: View; episode: string }) {
  if (view.operated || view.telling.length === 0) return null;
  return (
    <section className="block" id="next">
      <h2>{t("read-next")}</h2>
      {view.telling.map((i) => (
        <p key={i.test} className="flush below-6">
          <Link to={`/e/${episode}/examine`}>{nameOf("test", i.test)}</Link>{" "}
          <span className="soft small num">
            {t("read-bits", {
              bits: i.gain_bits.toFixed(2),
              minutes: i.minutes,
            })}
          </span>
          <br />
          <span className="soft small">
            {i.about
              .slice(0, 2)
              .map((h) => nameOf("hypothesis", h))
              .join(", ")}
          </span>
        </p>
      ))}
    </section>
  );
}

/** Scores worked out from findings, and the questions that only a slipping shoulder is asked. */
export function WorkedOut({
  page,
  episode,
  onNote,
}: {
  page: Page;
  episode: string;
  onNote: OnNote;
}) {
  const { view, story } = page;
  if (view.worked_out.length === 0 && story.complaint !== "slipping")
    return null;
  return (
    <section className="block" id="worked-out">
      <h2>{t("read-worked-out")}</h2>
      {view.worked_out.map((w) => (
        <p key={sentence(w.reason)} className="small">
          <b>{nameOf("score", w.score)}</b> {sentence(w.reason)}{" "}
          <span className="soft">{t("read-source", { source: w.source })}</span>
          {w.proposes && (
            <Propose page={page} episode={episode} other={w.proposes} />
          )}
        </p>
      ))}
      {story.complaint === "slipping" &&
        SEVERITY.map((item) => {
          const last = [...page.notes]
            .reverse()
            .find((n) => n.kind === "instability" && n.item === item);
          const now = last?.kind === "instability" ? last.present : undefined;
          return (
            <div className="flag-row" key={item} data-item={item}>
              <span className="small">{nameOf("severity", item)}</span>
              <span className="answers">
                {[false, true].map((present) => (
                  <button
                    key={String(present)}
                    className="yn"
                    aria-pressed={now === present}
                    onClick={() =>
                      void onNote({ kind: "instability", item, present })
                    }
                  >
                    {t(present ? "yes" : "no")}
                  </button>
                ))}
              </span>
            </div>
          );
        })}
    </section>
  );
}

/** One key that notes in the story what was worked out about the other side. */
function Propose({
  page,
  episode,
  other,
}: {
  page: Page;
  episode: string;
  other: Schemas["OtherSide"];
}) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const note = () =>
    saver
      .run(async () => {
        const story = { ...page.story, other_side: other };
        await ask(
          api.PUT("/api/episodes/{id}/story", {
            params: { path: { id: episode } },
            body: { rev: page.rev, story },
          }),
        );
        renew(queries, ["reading", "story", "program", "visit"]);
      })
      .catch(setError);
  return (
    <>
      <br />
      <Button
        size="small"
        id="propose-other-side"
        disabled={saver.busy}
        onClick={() => void note()}
      >
        {t("read-propose-other-side", { other: nameOf("other-side", other) })}
      </Button>{" "}
      <SaveMark state={saver.state} />
      <ProblemNote error={error} />
    </>
  );
}

/** What was found and not used, each with its reason. */
export function Unused({
  page,
  unit,
}: {
  page: Page;
  unit: (test: string) => string | null | undefined;
}) {
  const { view, story } = page;
  const all = [...view.findings, ...view.other_findings].filter(
    (w) => w.unused,
  );
  const flagged = all.filter((w) => w.raises);
  const unused = all.filter((w) => !w.raises);
  return (
    <>
      <Listed
        id="flagged"
        title={t("read-flag-only")}
        {...{ list: flagged, story, unit }}
      />
      <Listed
        id="unused"
        title={t("read-unused")}
        {...{ list: unused, story, unit }}
      />
    </>
  );
}

/** Findings with why they change no likelihood. */
function Listed({
  id,
  title,
  list,
  story,
  unit,
}: {
  id: string;
  title: string;
  list: View["findings"];
  story: Page["story"];
  unit: (test: string) => string | null | undefined;
}) {
  if (list.length === 0) return null;
  return (
    <section className="block" id={id}>
      <h2>{title}</h2>
      {list.map((w) => (
        <p key={w.finding.id} className="small">
          <b>{nameOf("test", w.finding.test)}</b>{" "}
          {w.finding.side === story.side
            ? ""
            : `(${nameOf("side", w.finding.side)}) `}
          {answerText(w.finding.answer, unit(w.finding.test))}
          <br />
          {w.raises && (
            <b>{t("read-raises", { flag: nameOf("flag", w.raises) })} </b>
          )}
          <span className="soft">{w.unused ? sentence(w.unused) : ""}</span>
        </p>
      ))}
    </section>
  );
}

/** The reading in sentences, to be copied. */
export function Summary({ view }: { view: View }) {
  return (
    <section className="block" id="summary">
      <h2>
        {t("read-summary")}{" "}
        <CopyKey size="small" text={view.summary.map(sentence).join("\n")} />
      </h2>
      <ul className="plainlist small">
        {view.summary.map((r) => (
          <li key={sentence(r)}>{sentence(r)}</li>
        ))}
      </ul>
    </section>
  );
}

/** Before and after one dose, on the same sign, in the room. */
export function Responses({
  kept,
  onNote,
}: {
  kept: View["responses"];
  onNote: OnNote;
}) {
  const [form, setForm] = useState({
    sign: "",
    dose: "",
    before: null as Typed,
    after: null as Typed,
  });
  const [fresh, setFresh] = useState(0);
  const set = (name: "sign" | "dose") => (e: { target: { value: string } }) =>
    setForm({ ...form, [name]: e.target.value });
  const ready =
    form.sign !== "" &&
    form.dose !== "" &&
    form.before != null &&
    form.after != null;
  const keep = () => {
    if (form.before == null || form.after == null) return;
    void onNote({
      kind: "response",
      sign: form.sign,
      dose: form.dose,
      before: form.before,
      after: form.after,
    }).then((stored) => {
      if (!stored) return;
      setForm({ sign: "", dose: "", before: null, after: null });
      setFresh((n) => n + 1);
    });
  };
  return (
    <section className="block" id="responses">
      <h2>{t("response-title")}</h2>
      {kept.map((r, i) => (
        <p key={i} className="small">
          {r.sign}:{" "}
          <b className="num">
            {r.before} → {r.after}
          </b>{" "}
          {t("response-done", { dose: r.dose })},{" "}
          <b>{nameOf("found", r.word)}</b>
        </p>
      ))}
      <div className="response">
        <Input
          aria-label={t("response-sign")}
          placeholder={t("response-sign")}
          value={form.sign}
          onChange={set("sign")}
        />
        <Input
          aria-label={t("response-dose")}
          placeholder={t("response-dose")}
          value={form.dose}
          onChange={set("dose")}
        />
        {(["before", "after"] as const).map((k) => (
          <NumberField
            key={`${k}-${fresh}`}
            bare
            label={t(`response-${k}`)}
            placeholder={t(`response-${k}`)}
            rule="pain"
            value={form[k]}
            onValue={(v) => setForm((f) => ({ ...f, [k]: v }))}
          />
        ))}
        <Button size="small" disabled={!ready} onClick={keep}>
          {t("response-keep")}
        </Button>
      </div>
    </section>
  );
}
