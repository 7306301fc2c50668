import type { Schemas } from "../../app/client";

type Page = Schemas["StoryPage"];
type Story = Schemas["Story"];

/** Whether somebody else lets the shoulder go: the operation or the injury heals by the calendar. */
export function heals(page: Pick<Page, "pathways">, story: Story): boolean {
  const clock = page.pathways.find((p) => p.id === story.pathway)?.clock;
  return (
    story.start === "surgery" || clock === "dislocation" || clock === "fracture"
  );
}

/** Something worth asking next: what it is, and the element where it is answered. */
export interface Ask {
  what: string;
  at: string;
}

/** What is still to be asked, the most telling first: what decides the next step stands before what refines it. */
export function asksNext(
  page: Pick<Page, "pathways" | "flags">,
  story: Story,
): Ask[] {
  const asks: Ask[] = [];
  const ask = (open: boolean, what: string, at: string) => {
    if (open) asks.push({ what, at });
  };
  const slow = heals(page, story);
  ask(
    page.flags.some((f) => f.asked && f.state === "not_asked"),
    "flags-title",
    "flags",
  );
  ask(slow && !story.clearance, "clearance", "story_clearance");
  ask(slow && story.sling_worn == null, "sling-worn", "story_sling");
  ask(story.mechanism.trim() === "", "mechanism", "story_mechanism");
  ask(story.complaint == null, "story-complaint", "story_complaint");
  ask(
    story.complaint === "slipping" && story.slips_per_week == null,
    "slips-per-week",
    "slips-per-week",
  );
  ask(story.other_side === "not_known", "story-other-side", "story_other_side");
  ask(story.work.trim() === "", "work-demands", "story_work");
  ask(story.tasks.length === 0, "tasks-title", "add-task");
  return asks;
}
