import {
  Children,
  type ReactNode,
  startTransition,
  useEffect,
  useState,
} from "react";

/** How many of several things are drawn by now: more with each turn, until all are; what is added later is there at once. */
export function useInTurn(all: number, atOnce = 1): number {
  const [drawn, setDrawn] = useState(atOnce < all ? atOnce : Infinity);
  useEffect(() => {
    if (drawn === Infinity) return;
    const next = window.setTimeout(() =>
      startTransition(() =>
        setDrawn(drawn + atOnce < all ? drawn + atOnce : Infinity),
      ),
    );
    return () => window.clearTimeout(next);
  }, [drawn, atOnce, all]);
  return Math.min(drawn, all);
}

/**
 * Draws the parts of a long page one after the other, the upper ones first: what is pressed meanwhile is heard between
 * two of them, and not when all are there.
 */
export function InTurn({ children }: { children: ReactNode }) {
  const parts = Children.toArray(children);
  const drawn = useInTurn(parts.length);
  return (
    <>
      {parts.slice(0, drawn)}
      {/* What stands below the parts stays out of sight until they are there: it would jump with each of them. */}
      {drawn < parts.length && <div className="in-turn" aria-hidden="true" />}
    </>
  );
}
