import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { DateInput } from "../../app/DateInput";
import Input from "antd/es/input";
import { Choose } from "../../app/Choose";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ApiProblem, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { Field } from "../../app/Field";
import { ProblemNote } from "../../app/parts";
import { capital, nameOf, shortDate, t } from "../../app/wording";
import { day0Name, fits } from "../pathwayFits";
import { useKept } from "../../app/useKept";
import { useDraft, useDraftKey } from "../../app/drafts";

type Page = Schemas["StoryPage"];

interface Part {
  page: Page;
  episode: string;
  today: string;
  keep: (p: Page) => void;
}

/** Every shoulder and operation of this person: another one, ending this one, opening it again; and who it is. */
export function Shoulders(props: Part) {
  const { page, episode } = props;
  const [open, setOpen] = useState<"add" | "end" | "person">();
  const all = page.head.episodes;
  const here = all.find((e) => e.id === episode);
  const navigate = useNavigate();
  const toggle = (what: "add" | "end" | "person") =>
    setOpen(open === what ? undefined : what);
  return (
    <section className="block" id="shoulders">
      <h2>{t("shoulders-title")}</h2>
      <div className="sheet">
        <table className="criteria">
          <tbody>
            {all.map((e) => (
              <tr key={e.id} data-episode={e.id}>
                <td>
                  <b>{capital(nameOf("side", e.side))}</b>
                </td>
                <td>{nameOf("pathway", e.pathway)}</td>
                <td className="num">
                  {nameOf("start", e.start)}, {shortDate(e.day0)}
                </td>
                <td>
                  {e.closed_on
                    ? t("episode-ended-on", { date: shortDate(e.closed_on) })
                    : t("episode-open")}
                </td>
                <td className="to-right">
                  {e.id !== episode && (
                    <Button
                      size="small"
                      onClick={() => void navigate(`/e/${e.id}/visit`)}
                    >
                      {t("episode-go")}
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="row wrap above-12">
          <Button id="add-shoulder" onClick={() => toggle("add")}>
            {t("shoulder-add")}
          </Button>
          <Button id="end-episode" onClick={() => toggle("end")}>
            {t(here?.closed_on ? "episode-reopen" : "episode-end")}
          </Button>
          <Button id="correct-person" onClick={() => toggle("person")}>
            {t("person-correct")}
          </Button>
        </p>
        {open === "add" && <Another {...props} />}
        {open === "end" &&
          (here?.closed_on ? (
            <Reopen {...props} onDone={() => setOpen(undefined)} />
          ) : (
            <End {...props} />
          ))}
        {open === "person" && <Correct {...props} />}
      </div>
    </section>
  );
}

/** What every one of these forms does with its answer. */
function useHead() {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const run = (work: () => Promise<unknown>, then?: () => void) => {
    setError(undefined);
    saver
      .run(async () => {
        await work();
        await queries.invalidateQueries();
        then?.();
      })
      .catch(setError);
  };
  return { saver, error, run };
}

/** Another shoulder, or a later operation of the same one. */
function Another({ page, today }: Part) {
  const { saver, error, run } = useHead();
  const navigate = useNavigate();
  const other = page.story.side === "left" ? "right" : "left";
  const [id] = useState(newId);
  const blank: Schemas["Story"] = {
    ...page.story,
    side: other,
    start: "surgery",
    pathway: "cuff-repair-small-medium",
    day0: today,
    mechanism: "",
    note: "",
    clearance: null,
    sling_worn: null,
    modifiers: [],
    schools: {},
    tasks: [],
    other_side: "not_known",
    slips_per_week: null,
    flag_words: "",
    complaint_words: "",
  };
  const [story, setStory] = useKept("another-shoulder", blank);
  const set = (part: Partial<Schemas["Story"]>) =>
    setStory((now) => ({ ...now, ...part }));
  const start = story.start ?? "surgery";
  const pathways = page.pathways.filter((p) => fits(p.clock, start));
  return (
    <>
      <ProblemNote error={error} />
      <div className="form above-12">
        <Field label={t("story-start")} name="start">
          <Choose
            id="another-start"
            value={start}
            onChange={(v) =>
              set({
                start: v as "surgery",
                pathway:
                  v === "surgery" ? "cuff-repair-small-medium" : "no-operation",
              })
            }
            options={(["surgery", "injury", "gradual"] as const).map((v) => ({
              value: v,
              label: nameOf("start", v),
            }))}
          />
        </Field>
        <Field label={t("affected-side")} name="story.side" error={error}>
          <Choose
            id="another-side"
            value={story.side}
            onChange={(side) => set({ side: side as "left" })}
            options={(["right", "left"] as const).map((v) => ({
              value: v,
              label: t(`side-${v}`),
            }))}
          />
        </Field>
        <Field label={t("pathway")} name="story.pathway" error={error}>
          <Choose
            id="another-pathway"
            value={story.pathway}
            onChange={(pathway) => set({ pathway })}
            options={pathways.map((p) => ({
              value: p.id,
              label: p.title ?? nameOf("pathway", p.id),
            }))}
          />
        </Field>
        <Field label={t(day0Name(start))} name="story.day0" error={error}>
          <DateInput
            id="another-day0"
            required
            latest={today}
            value={story.day0}
            onChange={(day0) => set({ day0 })}
          />
        </Field>
        <Field label={t("mechanism")} name="story.mechanism" error={error} wide>
          <Input
            id="another-mechanism"
            value={story.mechanism}
            onChange={(e) => set({ mechanism: e.target.value })}
          />
        </Field>
      </div>
      <p className="row above-12">
        <Button
          id="save-shoulder"
          type="primary"
          loading={saver.busy}
          onClick={() =>
            run(
              () =>
                ask(
                  api.POST("/api/patients/{id}/episodes", {
                    params: { path: { id: page.head.patient } },
                    body: { episode: id, story, with_defaults: true },
                  }),
                ),
              () => {
                setStory(blank);
                void navigate(`/e/${id}/story`);
              },
            )
          }
        >
          {t("shoulder-save")}
        </Button>
        <SaveMark state={saver.state} />
        {story.side === page.story.side && (
          <span className="soft small">{t("shoulder-same-side")}</span>
        )}
      </p>
    </>
  );
}

const ENDS = ["discharged", "moved_away", "declined", "died", "other"] as const;

/** Ending this episode: why, from when, and the last reading. */
function End({ episode, today }: Part) {
  const { saver, error, run } = useHead();
  const [reason, setReason] = useKept<(typeof ENDS)[number]>(
    "end-why",
    "discharged",
  );
  const [on, setOn] = useKept("end-on", today);
  const [words, setWords] = useKept("end-words", "");
  return (
    <>
      <ProblemNote error={error} />
      <div className="form above-12">
        <Field label={t("episode-end-why")} name="reason" error={error}>
          <Choose
            id="end-why"
            value={reason}
            onChange={(why) => setReason(why as "discharged")}
            options={ENDS.map((v) => ({ value: v, label: nameOf("end", v) }))}
          />
        </Field>
        <Field label={t("episode-end-on")} name="on" error={error}>
          <DateInput
            id="end-on"
            required
            latest={today}
            value={on}
            onChange={setOn}
          />
        </Field>
        <Field label={t("episode-end-words")} name="words" error={error} wide>
          <Input.TextArea
            id="end-words"
            rows={3}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
        </Field>
      </div>
      <p className="row above-12">
        <Button
          id="save-end"
          type="primary"
          loading={saver.busy}
          onClick={() =>
            run(
              () =>
                ask(
                  api.POST("/api/episodes/{id}/end", {
                    params: { path: { id: episode } },
                    body: { reason, on, words },
                  }),
                ),
              () => {
                setReason("discharged");
                setOn(today);
                setWords("");
              },
            )
          }
        >
          {t("episode-end")}
        </Button>
        <SaveMark state={saver.state} />
        <span className="soft small">{t("episode-end-lead")}</span>
      </p>
    </>
  );
}

function Reopen({ episode, onDone }: Part & { onDone: () => void }) {
  const { saver, error, run } = useHead();
  const [words, setWords] = useKept("reopen-words", "");
  return (
    <>
      <ProblemNote error={error} />
      <p className="row above-12">
        <Input
          id="reopen-words"
          aria-label={t("episode-reopen-why")}
          placeholder={t("episode-reopen-why")}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <Button
          id="save-reopen"
          type="primary"
          loading={saver.busy}
          onClick={() =>
            run(
              () =>
                ask(
                  api.POST("/api/episodes/{id}/reopen", {
                    params: { path: { id: episode } },
                    body: { words },
                  }),
                ),
              () => {
                setWords("");
                onDone();
              },
            )
          }
        >
          {t("episode-reopen")}
        </Button>
      </p>
    </>
  );
}

/** A name or a birth date that was typed wrongly. */
function Correct({ page }: Part) {
  const { saver, error, run } = useHead();
  const { given_name, family_name, birth: born } = page.head;
  const draft = useDraft(useDraftKey("correct"), {
    value: { given: given_name, family: family_name, birth: born },
  });
  const { given, family, birth } = draft.value;
  const set = (part: Partial<typeof draft.value>) =>
    draft.set((now) => ({ ...now, ...part }));
  const [another, setAnother] = useState(false);
  const same =
    error instanceof ApiProblem && error.problem.type.endsWith("same-person");
  const save = (sure: boolean) => {
    setAnother(sure);
    run(
      () =>
        ask(
          api.PUT("/api/patients/{id}", {
            params: { path: { id: page.head.patient } },
            body: {
              given_name: given,
              family_name: family,
              birth,
              another: sure,
            },
          }),
        ),
      draft.discard,
    );
  };
  return (
    <>
      <ProblemNote error={error} />
      <div className="form above-12">
        <Field label={t("given-name")} name="given_name" error={error}>
          <Input
            id="correct-given"
            value={given}
            onChange={(e) => set({ given: e.target.value })}
          />
        </Field>
        <Field label={t("family-name")} name="family_name" error={error}>
          <Input
            id="correct-family"
            value={family}
            onChange={(e) => set({ family: e.target.value })}
          />
        </Field>
        <Field label={t("birth")} name="birth" error={error}>
          <DateInput
            id="correct-birth"
            required
            value={birth}
            onChange={(day) => set({ birth: day })}
          />
        </Field>
      </div>
      <p className="row above-12">
        <Button
          id="save-person"
          type="primary"
          loading={saver.busy}
          onClick={() => save(same && !another)}
        >
          {t(same ? "person-is-another" : "person-correct")}
        </Button>
        <SaveMark state={saver.state} />
      </p>
    </>
  );
}
