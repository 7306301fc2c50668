import type { Schemas } from "../../app/client";
import { t, withUnit } from "../../app/wording";

/** How fast, and when what is asked next may be there. */
export function trendText(quantity: string, trend: Schemas["Trend"]): string {
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
