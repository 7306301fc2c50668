import type { Schemas } from "../../app/client";
import { t, withUnit } from "../../app/wording";

const signedIn = (quantity: string) => (v: number) =>
  `${v > 0 ? "+" : ""}${v.toFixed(1)}${quantity === "hand-behind-back" ? "" : "°"}`;

/** The same in one line: the picture shows how wide the lines spread. */
export function trendShort(quantity: string, trend: Schemas["Trend"]): string {
  const r = trend.reach;
  const speed = signedIn(quantity)(trend.per_week);
  if (!r) return t("trend-short", { speed });
  const target = withUnit(quantity, r.target);
  if (r.middle == null) return t("trend-short-never", { speed, target });
  return t(r.latest == null ? "trend-short-open" : "trend-short-reach", {
    speed,
    target,
    day: r.middle,
    early: r.earliest ?? r.middle,
    late: r.latest ?? 0,
  });
}

/** How fast, and when what is asked next may be there. */
export function trendText(quantity: string, trend: Schemas["Trend"]): string {
  const signed = signedIn(quantity);
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
