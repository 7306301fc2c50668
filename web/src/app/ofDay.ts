import { same } from "./merge";

/** What was typed on one day. */
export interface OfDay<T> {
  on: string;
  value: T;
}

/** What is typed beside a day's entry: that day's, and what earlier days left unsent, newest first. */
export interface Days<T> {
  now: OfDay<T>;
  before: OfDay<T>[];
}

/** Nothing typed on any day. */
export const noDays = <T>(blank: T): Days<T> => ({
  now: { on: "", value: blank },
  before: [],
});

/** The same as it stands today: what an earlier day left is no longer today's, and is kept beside it. */
export function asOf<T>(days: Days<T>, today: string, blank: T): Days<T> {
  const { now, before } = days;
  if (now.on === today) return days;
  const left = same(now.value, blank) ? before : [now, ...before];
  return { now: { on: today, value: blank }, before: left };
}

/** Today's after a change. With nothing left on any day nothing is kept. */
export function withToday<T>(
  days: Days<T>,
  today: string,
  blank: T,
  change: (value: T) => T,
): Days<T> {
  const at = asOf(days, today, blank);
  return tidy(
    { ...at, now: { on: today, value: change(at.now.value) } },
    blank,
  );
}

/** Goes on today with what an earlier day left. What was typed today stands aside in its place: neither is lost. */
export function taking<T>(
  days: Days<T>,
  left: OfDay<T>,
  today: string,
  blank: T,
): Days<T> {
  const { now, before } = asOf(days, today, blank);
  const others = before.filter((d) => !same(d, left));
  const aside = same(now.value, blank) ? others : [now, ...others];
  return { now: { on: today, value: left.value }, before: aside };
}

/** Without what one earlier day left. */
export function without<T>(days: Days<T>, left: OfDay<T>, blank: T): Days<T> {
  const before = days.before.filter((d) => !same(d, left));
  const now = same(days.now, left) ? { on: "", value: blank } : days.now;
  return tidy({ now, before }, blank);
}

/** As little as says the same, so that an empty form leaves nothing behind. */
function tidy<T>(days: Days<T>, blank: T): Days<T> {
  return days.before.length === 0 && same(days.now.value, blank)
    ? noDays(blank)
    : days;
}
