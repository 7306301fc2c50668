import Form from "antd/es/form";
import Segmented from "antd/es/segmented";
import { Choose } from "../../app/Choose";
import type { Faulty } from "../../app/faulty";
import { KeptNumber } from "../../app/KeptNumber";
import { nameOf, t } from "../../app/wording";
import { COMPLAINTS } from "../complaints";
import type { FormPart } from "./Course";

const SIDES = ["right", "left"] as const;
const OTHER = [
  "not_known",
  "sound",
  "affected",
  "operated",
  "hypermobile",
] as const;

/** Which shoulder, what it is about, and what the other one is good for as a measure. */
export function Complaint({
  story,
  set,
  faulty,
  fault,
}: FormPart & {
  faulty: Faulty;
  fault: (field: string) => string | undefined;
}) {
  const sides = SIDES.map((value) => ({ value, label: t(`side-${value}`) }));
  return (
    <div className="form">
      <Form.Item
        name="side"
        label={t(story.start === "surgery" ? "operated-side" : "affected-side")}
      >
        <Segmented block options={sides} />
      </Form.Item>
      <Form.Item name="dominant" label={t("dominant-hand")}>
        <Segmented block options={sides} />
      </Form.Item>
      <Form.Item label={t("story-complaint")} className="wide">
        <Segmented
          id="story_complaint"
          value={story.complaint ?? ""}
          options={[
            { value: "", label: t("not-asked") },
            ...COMPLAINTS.map((v) => ({
              value: v as string,
              label: nameOf("complaint", v),
            })),
          ]}
          onChange={(c) =>
            set({ complaint: c === "" ? null : (c as "raising") })
          }
        />
      </Form.Item>
      <Form.Item name="other_side" label={t("story-other-side")}>
        <Choose
          options={OTHER.map((v) => ({
            value: v,
            label: nameOf("other-side", v),
          }))}
        />
      </Form.Item>
      {(story.complaint === "slipping" || story.slips_per_week != null) && (
        <KeptNumber
          keep="slips_per_week"
          id="slips-per-week"
          label={t("slips-per-week")}
          rule="slips_per_week"
          value={story.slips_per_week ?? null}
          onValue={faulty.take("slips_per_week", (v) =>
            set({ slips_per_week: v }),
          )}
          fault={fault("slips_per_week")}
        />
      )}
    </div>
  );
}
