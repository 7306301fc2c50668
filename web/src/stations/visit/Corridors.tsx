import type { Schemas } from "../../app/client";
import { capital, nameOf, t, withUnit } from "../../app/wording";
import { Corridor } from "../../pictures/Corridor";

type View = Schemas["VisitView"];
/** Days shown before today, and in all. */
const BEFORE = 35;
const SHOWN = 84;

/** The corridors that were measured, and where each range is heading. */
export function Corridors({ view }: { view: View }) {
  const shown = view.corridors
    .filter(
      (c) => c.measurements.length > 0 || c.quantity === "passive-elevation",
    )
    .slice(0, 3);
  if (shown.length === 0) return null;
  const from = Math.max(0, view.clock.day - BEFORE);
  return (
    <section className="block">
      <h2>{t("visit-corridor")}</h2>
      {shown.map((c) => (
        <figure key={c.quantity} className="flush below-10">
          <figcaption className="small soft">
            {capital(nameOf("quantity", c.quantity))}
          </figcaption>
          <Corridor
            view={c}
            today={view.clock.day}
            from={from}
            to={from + SHOWN}
            width={560}
            height={150}
            label={nameOf("quantity", c.quantity)}
          />
          {c.trend && (
            <p className="small num" data-trend={c.quantity}>
              {trendText(c.quantity, c.trend)}
            </p>
          )}
        </figure>
      ))}
    </section>
  );
}

/** How fast, and when what is asked next may be there. */
function trendText(quantity: string, trend: Schemas["Trend"]): string {
  const unit = quantity === "hand-behind-back" ? "" : "°",
    signed = (v: number) => `${v > 0 ? "+" : ""}${v.toFixed(1)}${unit}`;
  const speed = t("trend-speed", {
    speed: signed(trend.per_week),
    low: signed(trend.per_week_low),
    high: signed(trend.per_week_high),
  });
  const r = trend.reach;
  if (!r) return speed;
  const target = withUnit(quantity, r.target);
  if (r.middle == null) return `${speed} ${t("trend-cannot-say", { target })}`;
  const reach = t(r.latest == null ? "trend-reach-open" : "trend-reach", {
    target,
    day: r.middle,
    early: r.earliest ?? r.middle,
    late: r.latest ?? 0,
  });
  return `${speed} ${reach}`;
}
