import { useCallback } from "react";
import { useDraft, useDraftKey } from "./drafts";

/** What may be said to a state: the next value, or how it comes from the present one. */
type Next<T> = T | ((now: T) => T);

/** A state for what is typed beside an entry: kept as every draft is, and there again after a reload or a crash. */
export function useKept<T>(
  name: string,
  blank: T,
): [T, (next: Next<T>) => void] {
  const draft = useDraft(useDraftKey(name), { value: blank });
  return [draft.value, draft.set];
}

const NONE: Record<string, string> = {};

/** Words about one of several things: what is typed about one waits there, and is not shown with another. */
export function useKeptWords(name: string, about: string) {
  const [all, setAll] = useKept(name, NONE);
  /** Says, or with nothing to say forgets, the words about one of them. */
  const sayOf = useCallback(
    (which: string, words: string) =>
      setAll((now) =>
        Object.fromEntries(
          Object.entries({ ...now, [which]: words }).filter(
            ([, said]) => said !== "",
          ),
        ),
      ),
    [setAll],
  );
  /** What was said is on record: forgotten, unless something else was typed meanwhile. */
  const handedIn = useCallback(
    (which: string, words: string) =>
      setAll((now) =>
        now[which] === words
          ? Object.fromEntries(
              Object.entries(now).filter(([of]) => of !== which),
            )
          : now,
      ),
    [setAll],
  );
  return {
    words: all[about] ?? "",
    say: (words: string) => sayOf(about, words),
    sayOf,
    handedIn,
  };
}
