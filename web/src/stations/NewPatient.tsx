import "../app/stationWords";
import "../../../locales/en/stations/story.ftl?learn";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Modal from "antd/es/modal";
import Segmented from "antd/es/segmented";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { Choose } from "../app/Choose";
import { api, ask, newId, type Schemas } from "../app/client";
import { DateInput } from "../app/DateInput";
import { DraftForm } from "../app/DraftForm";
import { DraftMark, DraftNotes } from "../app/DraftNotes";
import { useDraft, useDraftKey } from "../app/drafts";
import { SaveMark, useSaver } from "../app/entries";
import { missingFields, ProblemNote } from "../app/parts";
import { Screened } from "../app/Screened";
import { nameOf, shortDate, t } from "../app/wording";
import { COMPLAINTS } from "./complaints";
import { day0Name, fits } from "./pathwayFits";
import { queryKeys } from "../app/queryKeys";

const FIRST = {
  given_name: "",
  family_name: "",
  birth: "",
  side: "right",
  dominant: "right",
  day0: "",
  work: "",
  mechanism: "",
  start: "surgery",
  complaint: "",
  pathway: "cuff-repair-small-medium",
};
type Form = typeof FIRST;
/** What was typed, and the ids it is handed in under: a second attempt after a crash is the same patient. */
const begun = () => ({
  value: { ...FIRST, ids: { patient: newId(), episode: newId() } },
});
type Typed = ReturnType<typeof begun>["value"];

/** What the server keeps of the form. */
function body({ ids, ...form }: Typed): Schemas["NewPatient"] {
  return {
    ...ids,
    given_name: form.given_name,
    family_name: form.family_name,
    birth: form.birth,
    story: {
      pathway: form.pathway,
      start: form.start as "surgery",
      complaint: form.complaint === "" ? null : (form.complaint as "raising"),
      other_side: "not_known",
      side: form.side as "left" | "right",
      day0: form.day0,
      dominant: form.dominant as "left" | "right",
      mechanism: form.mechanism,
      work: form.work,
      clearance: null,
      sling_worn: null,
      health: [],
      tasks: [],
      kit: [],
      note: "",
    },
    // Setting, kit, minutes and schools begin as the clinic has set them, and stand in the story to be changed.
    with_defaults: true,
  };
}

/**
 * A new patient: who, and where the story begins. Closing keeps what was typed; only a key of its own throws it
 * away.
 */
export function NewPatient({
  today,
  onClose,
}: {
  today: string;
  onClose: () => void;
}) {
  return (
    <Modal
      // The name, not the cross, is what somebody wants who opens it.
      afterOpenChange={(shown) => {
        if (shown) document.getElementById("new_given_name")?.focus();
      }}
      open
      title={t("new-patient")}
      onCancel={onClose}
      mask={{ closable: false }}
      centered
      width={720}
      footer={null}
    >
      <Typing today={today} onClose={onClose} />
    </Modal>
  );
}

/** What is typed stands below the dialog, so that a keystroke draws the form anew and not the dialog. */
function Typing({ today, onClose }: { today: string; onClose: () => void }) {
  const [first] = useState(begun);
  const draft = useDraft<Typed>(useDraftKey("new-patient"), first);
  const [error, setError] = useState<unknown>();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const saver = useSaver();
  const form = draft.value;
  const save = async () => {
    // A date that was not given is asked for, never assumed.
    const missing = [
      ...(form.birth ? [] : ["birth"]),
      ...(form.day0 ? [] : ["story.day0"]),
    ];
    if (missing.length > 0) {
      setError(missingFields(missing));
      return;
    }
    setError(undefined);
    try {
      await saver.run(async () => {
        await ask(api.POST("/api/patients", { body: body(form) }));
        draft.discard();
        await queries.invalidateQueries({ queryKey: queryKeys.dayLists });
        void navigate(`/e/${form.ids.episode}/story`);
      });
    } catch (failure) {
      setError(failure);
    }
  };
  return (
    <>
      <DraftNotes draft={draft} says={inShort} />
      <ProblemNote error={error} />
      <DraftForm
        name="new"
        draft={draft}
        error={error}
        under="story"
        onTouch={saver.touch}
      >
        <div className="form">
          <Who today={today} />
          <Begin
            form={form}
            draft={draft}
            today={today}
            onEnter={() => void save()}
          />
        </div>
        <Screened text={form.mechanism} />
      </DraftForm>
      <div className="row wrap above-18">
        <DraftMark draft={draft} />
        <span className="push-right row">
          <SaveMark state={saver.state} />
          <Button onClick={onClose}>
            {t(draft.dirty ? "close-and-keep" : "cancel")}
          </Button>
          <Button
            type="primary"
            id="save-patient"
            disabled={saver.busy}
            onClick={() => void save()}
          >
            {t("add-and-story")}
          </Button>
        </span>
      </div>
    </>
  );
}

/** Who another window is adding, in one line. */
function inShort(v: Typed): string {
  const birth = v.birth ? shortDate(v.birth) : "";
  return [v.given_name, v.family_name, birth, v.work, v.mechanism]
    .filter((x) => x !== "")
    .join(", ");
}

/** Name and birth. */
function Who({ today }: { today: string }) {
  return (
    <>
      <Form.Item name="given_name" label={t("given-name")}>
        <Input autoComplete="off" />
      </Form.Item>
      <Form.Item name="family_name" label={t("family-name")}>
        <Input autoComplete="off" />
      </Form.Item>
      <Form.Item name="birth" label={t("birth")}>
        <DateInput latest={today} />
      </Form.Item>
    </>
  );
}

const SIDES = ["right", "left"] as const;

/** How it began, on which side, on which day, and on which pathway it runs. */
function Begin({
  form,
  draft,
  today,
  onEnter,
}: {
  form: Form;
  draft: { set: (change: (now: Typed) => Typed) => void };
  today: string;
  /** Enter in the last words hands the form in. */
  onEnter: () => void;
}) {
  const pathways = useQuery({
    queryKey: queryKeys.pathways,
    queryFn: () => ask(api.GET("/api/pathways")),
  });
  const offered = (pathways.data ?? []).filter(
    (p) => !p.own?.retired && fits(p.clock, form.start),
  );
  // A shoulder that is only examined so far has no pathway yet.
  const choices = [
    ...(form.start === "surgery" ? [] : [{ id: "no-operation", title: null }]),
    ...(offered.length > 0 ? offered : [{ id: form.pathway, title: null }]),
  ].filter((p, i, all) => all.findIndex((x) => x.id === p.id) === i);
  const surgery = form.start === "surgery";
  return (
    <>
      <Form.Item label={t("story-start")} className="wide">
        <Segmented
          block
          id="new_start"
          value={form.start}
          options={["surgery", "injury", "gradual"].map((value) => ({
            value,
            label: nameOf("start", value),
          }))}
          onChange={(start) =>
            draft.set((now) => ({
              ...now,
              start,
              pathway:
                start === "surgery"
                  ? "cuff-repair-small-medium"
                  : "no-operation",
            }))
          }
        />
      </Form.Item>
      <Form.Item
        name="pathway"
        label={t(surgery ? "procedure" : "pathway")}
        className="wide"
      >
        <Choose
          options={choices.map((p) => ({
            value: p.id,
            label: p.title ?? nameOf("pathway", p.id),
          }))}
        />
      </Form.Item>
      <Form.Item name="complaint" label={t("story-complaint")}>
        <Choose
          options={[
            { value: "", label: t("not-asked") },
            ...COMPLAINTS.map((v) => ({
              value: v as string,
              label: nameOf("complaint", v),
            })),
          ]}
        />
      </Form.Item>
      <Form.Item name="day0" label={t(day0Name(form.start as "surgery"))}>
        <DateInput latest={today} />
      </Form.Item>
      {(["mechanism", "work"] as const).map((k) => (
        <Form.Item key={k} name={k} label={t(k)} className="wide">
          <Input onPressEnter={onEnter} />
        </Form.Item>
      ))}
      {(
        [
          ["side", t(surgery ? "operated-side" : "affected-side")],
          ["dominant", t("dominant-hand")],
        ] as const
      ).map(([k, label]) => (
        <Form.Item key={k} name={k} label={label}>
          <Segmented
            block
            options={SIDES.map((value) => ({
              value,
              label: t(`side-${value}`),
            }))}
          />
        </Form.Item>
      ))}
    </>
  );
}
