import type { Schemas } from "../../app/client";
import { capital, nameOf, sentence, t, withUnit } from "../../app/wording";
import { adherenceText } from "./adherence";
import { FEELINGS, feltOf } from "./week";

type Page = Schemas["VisitPage"];

/**
 * What was measured, told, decided and asked today, as sentences that a note may begin with. Nothing is added
 * to it.
 */
export function draftedNote(page: Page): string {
  const { view, today } = page;
  const said: string[] = [];
  if (view.contact.how !== "room")
    said.push(`${t(`contact-${view.contact.how}`)}.`);
  const measured = view.dials.flatMap((d) => {
    // What a stand-in invented is never evidence, in a note either.
    const last = d.operated.last?.simulated
      ? undefined
      : d.operated.last?.measurement;
    return last?.on === today
      ? [
          `${nameOf("quantity", d.quantity)} ${withUnit(d.quantity, last.value)} (${nameOf("stop", last.stop)})`,
        ]
      : [];
  });
  if (measured.length > 0)
    said.push(`${t("drafted-measured")} ${measured.join(", ")}.`);
  if (view.adherence_pct != null) said.push(adherenceText(view));
  // The later word of a day corrects the earlier one.
  const felt = feltOf(view.log).get(today)?.values ?? {};
  const pains = FEELINGS.flatMap((kind) =>
    felt[kind] === undefined ? [] : [`${t(`short-${kind}`)} ${felt[kind]}`],
  );
  if (pains.length > 0) said.push(`${t("drafted-felt")} ${pains.join(", ")}.`);
  const slips = view.log.filter((e) => e.kind === "slip").length;
  if (slips > 0) said.push(t("drafted-slips", { count: slips }));
  const decided = page.decided.filter((d) => d.on === today);
  const answers = decided.map((d) => {
    const proposed = t(`move-${d.proposed.replaceAll("_", "-")}`);
    const why = d.reason ? ` (${d.reason})` : "";
    const answer = `${proposed}, ${t(`decided-${d.answer}`)}${why}`;
    return `${nameOf("exercise", d.exercise)}: ${answer}`;
  });
  if (answers.length > 0)
    said.push(`${t("drafted-decided")} ${answers.join("; ")}.`);
  for (const call of view.calls) said.push(sentence(call));
  return said.map(capital).join("\n");
}
