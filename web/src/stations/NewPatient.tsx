import Button from "antd/es/button";
import Modal from "antd/es/modal";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, newId } from "../app/client";
import { Field, missingFields, ProblemNote } from "../app/parts";
import { nameOf, t } from "../app/wording";
import { fits } from "./pathwayFits";

export function NewPatient({
  today,
  onClose,
}: {
  today: string;
  onClose: () => void;
}) {
  const [form, setForm] = useState({
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
  });
  const [ids] = useState(() => ({ patient: newId(), episode: newId() }));
  const [error, setError] = useState<unknown>();
  const navigate = useNavigate();
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
  const queries = useQueryClient();
  const set = (name: keyof typeof form) => (e: { target: { value: string } }) =>
    setForm({ ...form, [name]: e.target.value });
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
      await ask(
        api.POST("/api/patients", {
          body: {
            ...ids,
            given_name: form.given,
            family_name: form.family,
            birth: form.birth,
            story: {
              pathway: form.pathway,
              start: form.start as "surgery",
              setting: "primary",
              complaint:
                form.complaint === "" ? null : (form.complaint as "raising"),
              other_side: "sound",
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
          },
        }),
      );
      await queries.invalidateQueries({ queryKey: ["day-list"] });
      void navigate(`/e/${ids.episode}/story`);
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
        <Button key="c" onClick={onClose}>
          {t("cancel")}
        </Button>,
        <Button
          key="s"
          type="primary"
          id="save-patient"
          onClick={() => void save()}
        >
          {t("add-and-story")}
        </Button>,
      ]}
    >
      <ProblemNote error={error} />
      <div className="form">
        <Field label={t("given-name")} name="given_name" error={error}>
          <input
            className="native"
            id="given"
            value={form.given}
            onChange={set("given")}
          />
        </Field>
        <Field label={t("family-name")} name="family_name" error={error}>
          <input
            className="native"
            id="family"
            value={form.family}
            onChange={set("family")}
          />
        </Field>
        <Field label={t("birth")} name="birth" error={error}>
          <input
            type="date"
            id="birth"
            value={form.birth}
            onChange={set("birth")}
          />
        </Field>
        <Field label={t("story-start")} name="story.start">
          <select
            id="start"
            value={form.start}
            onChange={(e) =>
              setForm({
                ...form,
                start: e.target.value,
                pathway:
                  e.target.value === "surgery"
                    ? "cuff-repair-small-medium"
                    : "no-operation",
              })
            }
          >
            {(["surgery", "injury", "gradual"] as const).map((v) => (
              <option key={v} value={v}>
                {nameOf("start", v)}
              </option>
            ))}
          </select>
        </Field>
        <Field
          label={t(form.start === "surgery" ? "procedure" : "pathway")}
          name="story.pathway"
          error={error}
        >
          <select id="pathway" value={form.pathway} onChange={set("pathway")}>
            {choices.map((p) => (
              <option key={p.id} value={p.id}>
                {p.title ?? nameOf("pathway", p.id)}
              </option>
            ))}
          </select>
        </Field>
        <Field label={t("story-complaint")} name="story.complaint">
          <select
            id="complaint"
            value={form.complaint}
            onChange={set("complaint")}
          >
            <option value="">{t("not-asked")}</option>
            {(
              [
                "raising",
                "weakness",
                "slipping",
                "stiffness",
                "top",
                "neck",
              ] as const
            ).map((v) => (
              <option key={v} value={v}>
                {nameOf("complaint", v)}
              </option>
            ))}
          </select>
        </Field>
        <Field
          label={t(
            form.start === "surgery" ? "operated-side" : "affected-side",
          )}
          name="story.side"
        >
          <select id="side" value={form.side} onChange={set("side")}>
            <option value="right">{t("side-right")}</option>
            <option value="left">{t("side-left")}</option>
          </select>
        </Field>
        <Field label={t("dominant-hand")} name="story.dominant">
          <select
            id="dominant"
            value={form.dominant}
            onChange={set("dominant")}
          >
            <option value="right">{t("side-right")}</option>
            <option value="left">{t("side-left")}</option>
          </select>
        </Field>
        <Field
          label={t(
            form.start === "surgery"
              ? "day0"
              : form.start === "injury"
                ? "day0-injury"
                : "day0-first",
          )}
          name="story.day0"
          error={error}
        >
          <input
            type="date"
            id="day0"
            value={form.day0}
            max={today}
            onChange={set("day0")}
          />
        </Field>
        <Field label={t("work")} name="story.work" error={error} wide>
          <input
            className="native"
            id="work"
            value={form.work}
            onChange={set("work")}
          />
        </Field>
        <Field label={t("mechanism")} name="story.mechanism" error={error} wide>
          <input
            className="native"
            id="mechanism"
            value={form.mechanism}
            onChange={set("mechanism")}
          />
        </Field>
      </div>
      {form.start === "surgery" && (
        <p className="soft small above-12">{t("procedure-note")}</p>
      )}
    </Modal>
  );
}
