import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";

/** How much of what was planned was done lately, and how much of it is known. */
export function adherenceText(view: Schemas["VisitView"]): string {
  return view.adherence_pct != null
    ? t("visit-adherence", {
        pct: Math.round(view.adherence_pct),
        known: Math.round(view.known_pct ?? 0),
        days: view.adherence_days,
      })
    : t("visit-unlogged", { days: view.adherence_days });
}
