import type { Schemas } from "../../app/client";
import { capital, nameOf, sentence, t, withUnit } from "../../app/wording";

type Page = Schemas["VisitPage"];

/** What was measured, told, decided and asked today, as sentences that a note may begin with. Nothing is added to it. */
export function draftedNote(page: Page): string {
  const { view, today } = page;
  const said: string[] = [];
  const measured = view.dials.flatMap((d) => {
    const last = d.operated.last?.measurement;
    return last?.on === today
      ? [
          `${nameOf("quantity", d.quantity)} ${withUnit(d.quantity, last.value)} (${nameOf("stop", last.stop)})`,
        ]
      : [];
  });
  if (measured.length > 0)
    said.push(`${t("drafted-measured")} ${measured.join(", ")}.`);
  if (view.adherence_pct != null)
    said.push(
      t("visit-adherence", {
        pct: Math.round(view.adherence_pct),
        known: Math.round(view.known_pct ?? 0),
        days: view.adherence_days,
      }),
    );
  const felt = view.log.filter((e) => e.on === today && e.exercise == null);
  const pains = felt.flatMap((e) =>
    "value" in e ? [`${t(`short-${e.kind}`)} ${e.value}`] : [],
  );
  if (pains.length > 0)
    said.push(`${t("drafted-felt")} ${[...new Set(pains)].join(", ")}.`);
  const slips = view.log.filter((e) => e.kind === "slip").length;
  if (slips > 0) said.push(t("drafted-slips", { count: slips }));
  const decided = page.decided.filter((d) => d.on === today);
  if (decided.length > 0)
    said.push(
      `${t("drafted-decided")} ${decided
        .map(
          (d) =>
            `${nameOf("exercise", d.exercise)}: ${t(`move-${d.proposed.replaceAll("_", "-")}`)}, ${t(`decided-${d.answer}`)}${d.reason ? ` (${d.reason})` : ""}`,
        )
        .join("; ")}.`,
    );
  for (const call of view.calls) said.push(sentence(call));
  return said.map(capital).join("\n");
}
