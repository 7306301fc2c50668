/** The days of a week that something is done on, Monday first. */
export type Days = readonly boolean[];

/** Days of a week. */
const WEEK = 7;

/** Whether something can lie on another day than it does: what is done daily cannot. */
export const movable = (days: Days) =>
  days.includes(true) && days.includes(false);

/** The same with one day in the place of another; nothing where it is done there already, or was not done here. 1 is Monday. */
export function moved(
  days: Days,
  from: number,
  to: number,
): boolean[] | undefined {
  if (from === to || !days[from - 1] || days[to - 1] !== false)
    return undefined;
  return days.map((on, at) =>
    at === from - 1 ? false : at === to - 1 ? true : on,
  );
}

/** The next free day from one on, in the order in which days are shown; nothing where there is none. */
export function nextFree(
  days: Days,
  from: number,
  step: 1 | -1,
  shown: readonly number[],
): number | undefined {
  const at = shown.indexOf(from);
  const way = step > 0 ? shown.slice(at + 1) : shown.slice(0, at).reverse();
  return way.find((day) => days[day - 1] === false);
}

/** The same with a day taken in or out; nothing where that would leave no day. 1 is Monday. */
export function toggled(days: Days, day: number): boolean[] | undefined {
  const next = Array.from({ length: WEEK }, (_, at) =>
    at === day - 1 ? !days[at] : (days[at] ?? false),
  );
  return next.includes(true) ? next : undefined;
}

export const many = (days: Days) => days.filter(Boolean).length;
