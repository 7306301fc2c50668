import type { Schemas } from "../../app/client";
import { Field } from "../../app/parts";
import { nameOf, t } from "../../app/wording";
import { day0Name, fits } from "../pathwayFits";

type Page = Schemas["StoryPage"];
type Story = Schemas["Story"];

export interface FormPart {
  page: Page;
  story: Story;
  set: (part: Partial<Story>) => void;
  error: unknown;
  today: string;
}

/** What happened, when, to which shoulder, and which pathway it follows. */
export function Course({ page, story, set, error, today }: FormPart) {
  const operated = story.start === "surgery";
  return (
    <>
      <Field
        label={t(operated ? "procedure" : "pathway")}
        name="story.pathway"
        error={error}
      >
        <select
          id="story-pathway"
          value={story.pathway}
          onChange={(e) =>
            set({ pathway: e.target.value, modifiers: [], schools: {} })
          }
        >
          {page.pathways
            .filter((p) => fits(p.clock, story.start ?? "surgery"))
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.title ?? nameOf("pathway", p.id)}
              </option>
            ))}
        </select>
      </Field>
      <Field label={t("story-start")} name="story.start">
        <select
          id="story-start"
          value={story.start}
          onChange={(e) => {
            const start = e.target.value as "surgery";
            set({
              start,
              modifiers: [],
              schools: {},
              pathway:
                start === "surgery"
                  ? "cuff-repair-small-medium"
                  : "no-operation",
            });
          }}
        >
          {(["surgery", "injury", "gradual"] as const).map((v) => (
            <option key={v} value={v}>
              {nameOf("start", v)}
            </option>
          ))}
        </select>
      </Field>
      <Field label={t("story-complaint")} name="story.complaint">
        <select
          id="story-complaint"
          value={story.complaint ?? ""}
          onChange={(e) =>
            set({
              complaint:
                e.target.value === "" ? null : (e.target.value as "raising"),
            })
          }
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
      <Field label={t("story-setting")} name="story.setting">
        <select
          value={story.setting}
          onChange={(e) => set({ setting: e.target.value as "primary" })}
        >
          {(["primary", "specialist"] as const).map((v) => (
            <option key={v} value={v}>
              {nameOf("setting", v)}
            </option>
          ))}
        </select>
      </Field>
      <Field label={t("story-other-side")} name="story.other_side">
        <select
          value={story.other_side}
          onChange={(e) => set({ other_side: e.target.value as "sound" })}
        >
          {(
            [
              "not_known",
              "sound",
              "affected",
              "operated",
              "hypermobile",
            ] as const
          ).map((v) => (
            <option key={v} value={v}>
              {nameOf("other-side", v)}
            </option>
          ))}
        </select>
      </Field>
      <Field label={t(day0Name(story.start))} name="story.day0" error={error}>
        <input
          type="date"
          id="story-day0"
          value={story.day0}
          max={today}
          onChange={(e) => set({ day0: e.target.value })}
        />
      </Field>
      <Field
        label={t(story.start === "surgery" ? "operated-side" : "affected-side")}
        name="story.side"
      >
        <select
          value={story.side}
          onChange={(e) => set({ side: e.target.value as "left" })}
        >
          <option value="right">{t("side-right")}</option>
          <option value="left">{t("side-left")}</option>
        </select>
      </Field>
    </>
  );
}
