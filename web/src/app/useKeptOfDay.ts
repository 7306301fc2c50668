import { useMemo } from "react";
import { asOf, noDays, type OfDay, taking, withToday, without } from "./ofDay";
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
  const take = (left: OfDay<T>) =>
    setDays((all) => taking(all, left, today, blank));
  const drop = (left: OfDay<T>) => setDays((all) => without(all, left, blank));
  return { value: now.value, set, before, take, drop };
}
