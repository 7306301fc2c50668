import Button from "antd/es/button";
import Input from "antd/es/input";
import Modal from "antd/es/modal";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, newId, type Schemas } from "../app/client";
import { SaveMark, useSaver } from "../app/entries";
import { Field, missingFields, ProblemNote } from "../app/parts";
import { nameOf, t } from "../app/wording";
import { day0Name, fits } from "./pathwayFits";

const COMPLAINTS = [
  "raising",
  "weakness",
  "slipping",
  "stiffness",
  "top",
  "neck",
] as const;
const FIRST = {
  given: "",
  family: "",
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
type Set = (part: Partial<Form>) => void;

/** What the server keeps of the form. */
function body(
  form: Form,
  ids: { patient: string; episode: string },
): Schemas["NewPatient"] {
  return {
    ...ids,
    given_name: form.given,
    family_name: form.family,
    birth: form.birth,
    story: {
      pathway: form.pathway,
      start: form.start as "surgery",
      setting: "primary",
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
      kit: ["bed", "table", "wall", "towel", "cloth"],
      note: "",
    },
  };
}

/** A new patient: who, and where the story begins. */
export function NewPatient({
  today,
  onClose,
}: {
  today: string;
  onClose: () => void;
}) {
  const [form, setForm] = useState(FIRST);
  const [ids] = useState(() => ({ patient: newId(), episode: newId() }));
  const [error, setError] = useState<unknown>();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const saver = useSaver();
  const set: Set = (part) => {
    saver.touch();
    setForm((now) => ({ ...now, ...part }));
  };
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
        await ask(api.POST("/api/patients", { body: body(form, ids) }));
        await queries.invalidateQueries({ queryKey: ["day-list"] });
        void navigate(`/e/${ids.episode}/story`);
      });
    } catch (failure) {
      setError(failure);
    }
  };
  return (
    <Modal
      open
      title={t("new-patient")}
      onCancel={onClose}
      width={680}
      footer={[
        <SaveMark key="m" state={saver.state} />,
        <Button key="c" onClick={onClose}>
          {t("cancel")}
        </Button>,
        <Button
          key="s"
          type="primary"
          id="save-patient"
          disabled={saver.busy}
          onClick={() => void save()}
        >
          {t("add-and-story")}
        </Button>,
      ]}
    >
      <ProblemNote error={error} />
      <div className="form">
        <Person form={form} set={set} error={error} />
        <Begin form={form} set={set} error={error} today={today} />
      </div>
      {form.start === "surgery" && (
        <p className="soft small above-12">{t("procedure-note")}</p>
      )}
    </Modal>
  );
}

interface Part {
  form: Form;
  set: Set;
  error: unknown;
}

/** Name and birth. */
function Person({ form, set, error }: Part) {
  return (
    <>
      {(["given", "family"] as const).map((k) => (
        <Field key={k} label={t(`${k}-name`)} name={`${k}_name`} error={error}>
          <Input
            id={k}
            autoComplete="off"
            value={form[k]}
            onChange={(e) => set({ [k]: e.target.value })}
          />
        </Field>
      ))}
      <Field label={t("birth")} name="birth" error={error}>
        <input
          type="date"
          id="birth"
          value={form.birth}
          onChange={(e) => set({ birth: e.target.value })}
        />
      </Field>
    </>
  );
}

/** How it began, on which side, on which day, and on which pathway it runs. */
function Begin({ form, set, error, today }: Part & { today: string }) {
  const pathways = useQuery({
    queryKey: ["pathways"],
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
      <Choice
        label={t("story-start")}
        name="start"
        value={form.start}
        options={["surgery", "injury", "gradual"].map((v) => [
          v,
          nameOf("start", v),
        ])}
        onChange={(start) =>
          set({
            start,
            pathway:
              start === "surgery" ? "cuff-repair-small-medium" : "no-operation",
          })
        }
      />
      <Choice
        label={t(surgery ? "procedure" : "pathway")}
        name="pathway"
        error={error}
        value={form.pathway}
        options={choices.map((p) => [p.id, p.title ?? nameOf("pathway", p.id)])}
        onChange={(pathway) => set({ pathway })}
      />
      <Choice
        label={t("story-complaint")}
        name="complaint"
        value={form.complaint}
        options={[
          ["", t("not-asked")],
          ...COMPLAINTS.map((v): [string, string] => [
            v,
            nameOf("complaint", v),
          ]),
        ]}
        onChange={(complaint) => set({ complaint })}
      />
      {(
        [
          ["side", t(surgery ? "operated-side" : "affected-side")],
          ["dominant", t("dominant-hand")],
        ] as const
      ).map(([k, label]) => (
        <Choice
          key={k}
          label={label}
          name={k}
          value={form[k]}
          options={[
            ["right", t("side-right")],
            ["left", t("side-left")],
          ]}
          onChange={(side) => set({ [k]: side })}
        />
      ))}
      <Field label={t(day0Name(form.start))} name="story.day0" error={error}>
        <input
          type="date"
          id="day0"
          value={form.day0}
          max={today}
          onChange={(e) => set({ day0: e.target.value })}
        />
      </Field>
      {(["work", "mechanism"] as const).map((k) => (
        <Field key={k} label={t(k)} name={`story.${k}`} error={error} wide>
          <Input
            id={k}
            value={form[k]}
            onChange={(e) => set({ [k]: e.target.value })}
          />
        </Field>
      ))}
    </>
  );
}

function Choice({
  label,
  name,
  error,
  value,
  options,
  onChange,
}: {
  label: string;
  name: string;
  error?: unknown;
  value: string;
  options: [string, string][];
  onChange: (value: string) => void;
}) {
  return (
    <Field label={label} name={`story.${name}`} error={error}>
      <select
        id={name}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      >
        {options.map(([v, text]) => (
          <option key={v} value={v}>
            {text}
          </option>
        ))}
      </select>
    </Field>
  );
}
