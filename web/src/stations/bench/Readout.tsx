import { Link } from "react-router";
import { capital, nameOf, sentence, t } from "../../app/wording";
import { Supplies } from "../../pictures/LoadCurve";
import type { Load } from "./useBench";
import { type Card, setupText } from "./words";

/** Exercises count as near within this share of the peak. */
const NEAR = 0.12;

/** The numbers at the cursor, and what to mind. */
export function Readout({ load, at }: { load: Load; at: number }) {
  const { answer, held } = load;
  const view = answer?.view;
  const point = view?.curve.points[at];
  return (
    <>
      {view && point && <Numbers view={view} point={point} held={held} />}
      {answer?.share_pct != null && (
        <p className="num">
          <b>{Math.round(answer.share_pct)} %</b> {t("bench-share")}
        </p>
      )}
      {answer?.share_reason && (
        <p className="small soft">{sentence(answer.share_reason)}</p>
      )}
      {view?.minds.map((m) => (
        <p
          key={sentence(m)}
          className={`small flush above-4 below-4 ${/band-(slack|long)/.test(m.rule) ? "bad" : "soft"}`}
        >
          {sentence(m)}
        </p>
      ))}
    </>
  );
}

type View = NonNullable<Load["answer"]>["view"];

function Numbers({
  view,
  point,
  held,
}: {
  view: View;
  point: View["curve"]["points"][number];
  held: Load["held"];
}) {
  return (
    <div className="readout" id="readout">
      <div>
        <span className="soft small">{t("bench-here")}</span>
        <b className="num big">{point.total_nm.toFixed(1)} N·m</b>
        <span className="small num">
          {t("bench-elevation", {
            angle: Math.round(point.elevation_deg),
          })}
          ,{" "}
          {t("bench-rotation", {
            angle: Math.round(point.rotation_deg),
          })}
        </span>
        {point.band && (
          <span className="small num">
            {t("bench-band", {
              force: (point.band[1] ?? 0).toFixed(1),
              percent: Math.round(point.band[0] ?? 0),
            })}
          </span>
        )}
      </div>
      <Supplies point={point} />
      <div>
        <span className="soft small">{t("bench-peak")}</span>
        <b className="num">{view.curve.peak_nm.toFixed(1)} N·m</b>
        <span className="small num soft">
          {t("bench-mean", {
            mean: view.curve.mean_nm.toFixed(1),
            impulse: view.curve.impulse_nms.toFixed(1),
          })}
        </span>
        {held && (
          <span className="small num">
            {t("bench-against", {
              percent: Math.round(
                (100 * view.curve.peak_nm) /
                  Math.max(0.01, held.view.curve.peak_nm),
              ),
            })}
          </span>
        )}
      </div>
    </div>
  );
}

/** What is held for comparison. */
export function HeldNote({ held }: { held: Load["held"] }) {
  if (!held) return null;
  return (
    <p className="small">
      <svg width="30" height="8" aria-hidden="true">
        <path
          d="M0 4H30"
          stroke="var(--saffron)"
          strokeWidth="2.4"
          strokeDasharray="8 5"
        />
      </svg>{" "}
      {t("bench-held")} {setupText(held.view.setup) || t("bench-own-weight")}
    </p>
  );
}

/** Published activity, what lies near, where the row comes from. */
export function Facts({
  card,
  cards,
  load,
}: {
  card: Card;
  cards: Card[];
  load: Load;
}) {
  const view = load.answer?.view;
  const apart = (peak: number) =>
    view
      ? Math.abs(peak - view.curve.peak_nm) / Math.max(1, view.curve.peak_nm)
      : 1;
  const near = cards
    .filter(
      (c) =>
        c.id !== card.id &&
        c.peak_nm != null &&
        c.main === view?.curve.main &&
        apart(c.peak_nm) < NEAR,
    )
    .slice(0, 5);
  return (
    <table className="criteria above-12">
      <tbody>
        <tr>
          <td className="soft w-190">{t("bench-demand")}</td>
          <td>
            {view ? nameOf("demand-class", view.demand) : ""}
            {card.activity.length > 0 && (
              <span className="soft small num">
                {" "}
                {card.activity
                  .map((a) => `${nameOf("muscle", a.muscle)} ${a.percent} %`)
                  .join(", ")}{" "}
                ({card.activity[0]?.source}, {t("bench-memory")})
              </span>
            )}
          </td>
        </tr>
        {near.length > 0 && (
          <tr>
            <td className="soft">{t("bench-near")}</td>
            <td>
              {near.map((c, i) => (
                <span key={c.id}>
                  {i > 0 && ", "}
                  <Link to={`/library/${c.id}`}>
                    {nameOf("exercise", c.id)}
                  </Link>{" "}
                  <span className="soft num small">
                    {c.peak_nm?.toFixed(1)}
                  </span>
                </span>
              ))}
            </td>
          </tr>
        )}
        <tr>
          <td className="soft">{t("bench-sources")}</td>
          <td className="small soft">
            {capital(card.source)}.{" "}
            {view ? t("bench-table", { table: view.table }) : ""}
          </td>
        </tr>
      </tbody>
    </table>
  );
}
