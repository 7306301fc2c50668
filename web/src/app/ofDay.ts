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

/** What one earlier day left becomes less: `rest`, or nothing where that is blank. */
export function leaving<T>(
  days: Days<T>,
  left: OfDay<T>,
  rest: T,
  blank: T,
): Days<T> {
  const less = (d: OfDay<T>) => (same(d, left) ? { ...d, value: rest } : d);
  const before = days.before.map(less).filter((d) => !same(d.value, blank));
  return tidy({ now: less(days.now), before }, blank);
}

/** As little as says the same, so that an empty form leaves nothing behind. */
function tidy<T>(days: Days<T>, blank: T): Days<T> {
  return days.before.length === 0 && same(days.now.value, blank)
    ? noDays(blank)
    : days;
}
