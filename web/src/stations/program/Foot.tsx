import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";
import { Notice } from "../../app/Notice";

/** Questions that concern every shoulder; the foot of the page names only those of the pathway. */
const GENERAL = new Set([
  "pain-rule",
  "frequency",
  "set-structure",
  "hold-style",
  "effort",
  "blade-cue",
  "rotation-inward",
]);

/** The schools that hold, the knowledge behind it, and what it defers to. */
export function Foot({
  view,
  knowledge,
}: {
  view: Schemas["PlanChart"];
  knowledge: string | null | undefined;
}) {
  return (
    <p className="soft small above-10">
      {view.schools && Object.keys(view.schools).length > 0
        ? `${t("schools-hold")} ${Object.entries(view.schools)
            .filter(([q]) => !GENERAL.has(q))
            .map(([q, s]) => `${nameOf("question", q)}: ${nameOf("school", s)}`)
            .join(" · ")}. `
        : ""}
      {t("program-knowledge", { sha: knowledge ?? "–" })} {t("defers")}
    </p>
  );
}

/** A shoulder without a pathway has no program. */
export function NoPathway({ episode }: { episode: string }) {
  return (
    <>
      <div className="page-head">
        <h1>{t("nav-program")}</h1>
      </div>
      <Notice id="no-pathway" kind="decide">
        {t("program-no-pathway")}{" "}
        <Link to={`/e/${episode}/story`}>{t("nav-story")}</Link>,{" "}
        <Link to={`/e/${episode}/read`}>{t("nav-read")}</Link>.
      </Notice>
    </>
  );
}
