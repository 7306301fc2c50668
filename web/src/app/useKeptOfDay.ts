import { useMemo } from "react";
import { asOf, leaving, noDays, type OfDay, withToday } from "./ofDay";
import { useKept } from "./useKept";

/**
 * What is typed beside an entry of today, kept as every draft is. What an earlier day left unsent is never taken for
 * today's: it stands beside it, to be taken up or thrown away.
 *
 * @param blank what nothing typed is: the same object at every call.
 */
export function useKeptOfDay<T>(name: string, today: string, blank: T) {
  const none = useMemo(() => noDays(blank), [blank]);
  const [days, setDays] = useKept(name, none);
  const { now, before } = asOf(days, today, blank);
  const set = (change: (value: T) => T) =>
    setDays((all) => withToday(all, today, blank, change));
  /** Of what an earlier day left only `rest` remains; without it, nothing. */
  const drop = (left: OfDay<T>, rest: T = blank) =>
    setDays((all) => leaving(all, left, rest, blank));
  return { value: now.value, set, before, drop };
}
