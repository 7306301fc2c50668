import { Link } from "react-router";
import { nameOf, sentence, t } from "../../app/wording";
import { Beam, BeamScale, percent } from "../../pictures/Beam";
import type { Page } from "./words";
import { Notice } from "../../app/Notice";

/** Width of the small beams. */
const BEAM = 226;

/** How the reading moves with each answer. */
export function SoFar({
  view,
  episode,
}: {
  view: Page["view"];
  episode: string;
}) {
  return (
    <aside className="exam-read" aria-label={t("nav-read")}>
      {view.operated ? (
        <p className="soft">{t("read-operated-lead")}</p>
      ) : (
        <Beams view={view} episode={episode} />
      )}
      {view.flags.map((f) => (
        <Notice key={f.flag} kind="stop" className="small">
          <b>{nameOf("tier", f.tier)}</b>{" "}
          {f.reason ? sentence(f.reason) : nameOf("flag", f.flag)}
        </Notice>
      ))}
    </aside>
  );
}

function Beams({ view, episode }: { view: Page["view"]; episode: string }) {
  const moved = view.hypotheses
    .filter((h) => h.steps.length > 0)
    .sort((a, b) => b.probability - a.probability);
  const there = view.conditions.filter(
    (c) => c.status === "met" || c.status === "range_only",
  );
  return (
    <>
      <h3>
        {t("examine-so-far")}{" "}
        <Link className="small" to={`/e/${episode}/read`}>
          {t("nav-read")}
        </Link>
      </h3>
      {moved.length === 0 && <p className="soft">{t("examine-nothing-yet")}</p>}
      {moved.length > 0 && <BeamScale width={BEAM} />}
      {moved.slice(0, 8).map((h) => (
        <div key={h.hypothesis} className="mini" data-hypothesis={h.hypothesis}>
          <span className="small">
            {nameOf("hypothesis", h.hypothesis)}{" "}
            <b className="num">{percent(h.probability)}</b>{" "}
            {nameOf("word", h.word)}
          </span>
          <Beam
            view={h}
            width={BEAM}
            label={`${nameOf("hypothesis", h.hypothesis)}: ${percent(h.probability)}, ${nameOf("word", h.word)}`}
          />
        </div>
      ))}
      {there.map((c) => (
        <Notice key={c.condition} kind="decide" className="small">
          {sentence({
            rule:
              c.status === "met"
                ? "summary-criterion"
                : "summary-criterion-range",
            args: { condition: c.condition },
          })}
        </Notice>
      ))}
    </>
  );
}
