import Input from "antd/es/input";
import type { Faulty } from "../../app/faulty";
import { NumberField } from "../../app/NumberField";
import { faultAt, Field } from "../../app/parts";
import { t } from "../../app/wording";
import type { FormPart } from "./Course";

/** The body that does the work, the go-ahead, the sling, the mechanism, the job. */
export function Person({
  page,
  story,
  set,
  error,
  today,
  faulty,
}: FormPart & { faulty: Faulty }) {
  const operated = story.start === "surgery";
  // After a dislocation or a fracture somebody else lets go first, too.
  const heals = ["dislocation", "fracture"].includes(
    page.pathways.find((p) => p.id === story.pathway)?.clock ?? "none",
  );
  return (
    <>
      <NumberField
        id="mass-kg"
        label={t("mass")}
        rule="mass_kg"
        value={story.mass_kg ?? null}
        onValue={faulty.take("mass_kg", (v) => set({ mass_kg: v }))}
        fault={faultAt(error, "story.mass_kg")}
      />
      <NumberField
        id="height-cm"
        label={t("height")}
        rule="height_cm"
        value={story.height_cm ?? null}
        onValue={faulty.take("height_cm", (v) => set({ height_cm: v }))}
        fault={faultAt(error, "story.height_cm")}
      />
      <Field label={t("dominant-hand")} name="story.dominant">
        <select
          value={story.dominant}
          onChange={(e) => set({ dominant: e.target.value as "left" })}
        >
          <option value="right">{t("side-right")}</option>
          <option value="left">{t("side-left")}</option>
        </select>
      </Field>
      {(operated || heals) && (
        <Field label={t("clearance")} name="story.clearance.on" error={error}>
          <input
            type="date"
            id="clearance"
            value={story.clearance?.on ?? ""}
            max={today}
            onChange={(e) =>
              set({
                clearance: e.target.value
                  ? { role: "surgeon", on: e.target.value }
                  : null,
              })
            }
          />
        </Field>
      )}
      {(operated || heals) && (
        <Field label={t("sling-worn")} name="story.sling_worn">
          <select
            id="sling"
            value={
              story.sling_worn === null || story.sling_worn === undefined
                ? ""
                : String(story.sling_worn)
            }
            onChange={(e) =>
              set({
                sling_worn:
                  e.target.value === "" ? null : e.target.value === "true",
              })
            }
          >
            <option value="">{t("not-asked")}</option>
            <option value="true">{t("sling-as-told")}</option>
            <option value="false">{t("sling-not")}</option>
          </select>
        </Field>
      )}
      <Field label={t("mechanism")} name="story.mechanism" error={error} wide>
        <Input
          id="story-mechanism"
          value={story.mechanism}
          onChange={(e) => set({ mechanism: e.target.value })}
        />
      </Field>
      <Field label={t("work-demands")} name="story.work" error={error} wide>
        <Input
          id="story-work"
          value={story.work}
          onChange={(e) => set({ work: e.target.value })}
        />
      </Field>
    </>
  );
}
