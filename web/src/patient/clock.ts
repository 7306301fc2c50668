/** A civil date as days since 1970. */
const days = (date: string) => Date.parse(`${date}T00:00:00Z`) / 86_400_000;

/** The date that this telephone's own clock shows. */
export function localDate(at: Date): string {
  const two = (n: number) => String(n).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`;
}

/**
 * The clinic's day now: the day it said last, and as many days more as this telephone's clock has gone on since. So a
 * session without a network counts for its own day, and a clock that is a day wrong does no harm.
 */
export function clinicDay(said: string, heardOn: string, now: Date): string {
  const on = Math.max(0, days(localDate(now)) - days(heardOn));
  return new Date((days(said) + on) * 86_400_000).toISOString().slice(0, 10);
}
