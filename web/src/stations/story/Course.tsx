import Form from "antd/es/form";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import { DateInput } from "../../app/DateInput";
import { Screened } from "../../app/Screened";
import { nameOf, t } from "../../app/wording";
import { day0Name, fits } from "../pathwayFits";
import { heals } from "./asks";

type Page = Schemas["StoryPage"];
type Story = Schemas["Story"];

export interface FormPart {
  page: Page;
  story: Story;
  set: (part: Partial<Story>) => void;
  today: string;
}

const STARTS = ["surgery", "injury", "gradual"] as const;
const SLING = ["", "true", "false"] as const;
const SLING_SAYS = ["not-asked", "sling-as-told", "sling-not"] as const;

/** What happened and when: the beginning, the operation or the pathway, the words, and who let the shoulder go. */
export function Course({ page, story, set, today }: FormPart) {
  const operated = story.start === "surgery";
  return (
    <div className="form">
      <Form.Item label={t("story-start")} className="wide">
        <Segmented
          id="story_start"
          value={story.start ?? "surgery"}
          options={STARTS.map((value) => ({
            value,
            label: nameOf("start", value),
          }))}
          onChange={(start) =>
            set({
              start,
              modifiers: [],
              schools: {},
              pathway:
                start === "surgery"
                  ? "cuff-repair-small-medium"
                  : "no-operation",
            })
          }
        />
      </Form.Item>
      <Form.Item
        label={t(operated ? "procedure" : "pathway")}
        htmlFor="story_pathway"
        className="two-wide"
      >
        <Choose
          id="story_pathway"
          value={story.pathway}
          options={page.pathways
            .filter((p) => fits(p.clock, story.start ?? "surgery"))
            .map((p) => ({
              value: p.id,
              label: p.title ?? nameOf("pathway", p.id),
            }))}
          onChange={(pathway) => set({ pathway, modifiers: [], schools: {} })}
        />
      </Form.Item>
      <Form.Item name="day0" label={t(day0Name(story.start))}>
        <DateInput latest={today} required />
      </Form.Item>
      {heals(page, story) && (
        <>
          <Form.Item label={t("clearance")} htmlFor="story_clearance">
            <DateInput
              id="story_clearance"
              latest={today}
              value={story.clearance?.on ?? ""}
              onChange={(on) =>
                set({ clearance: on ? { role: "surgeon", on } : null })
              }
            />
          </Form.Item>
          <Form.Item label={t("sling-worn")} className="two-wide">
            <Segmented
              id="story_sling"
              value={story.sling_worn == null ? "" : String(story.sling_worn)}
              options={SLING.map((value, i) => ({
                value: value as string,
                label: t(SLING_SAYS[i] ?? ""),
              }))}
              onChange={(worn) =>
                set({ sling_worn: worn === "" ? null : worn === "true" })
              }
            />
          </Form.Item>
        </>
      )}
      <Form.Item name="mechanism" label={t("mechanism")} className="wide">
        <Input.TextArea rows={2} maxLength={500} />
      </Form.Item>
      <div className="wide">
        <Screened text={story.mechanism} />
      </div>
    </div>
  );
}
