import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";

export type Card = Schemas["TestCard"];
export type Page = Schemas["ReadingPage"];
export type Answer = Schemas["TestAnswer"];
export type Item = Schemas["PlanItem"];
export type Finding = Schemas["TestFinding"];
export type Side = Schemas["Arm"];

export const opposite = (side: Side): Side =>
  side === "left" ? "right" : "left";

/** An answer in words. */
export function answerText(answer: Answer, unit?: string | null): string {
  if (answer.kind === "word") return nameOf("found", answer.found);
  if (answer.kind === "could_not") return t("could-not");
  const name = unit ? nameOf("unit", unit) : "";
  return `${answer.value}${name === "°" ? name : ` ${name}`}`.replace("-", "−");
}
