import { startTransition, useEffect, useState } from "react";

/**
 * Whether a page may be drawn whose data is there. What came over the network is drawn a slice at a time: a key that is
 * pressed meanwhile is not kept waiting. What was there already is drawn at once.
 */
export function useReady(there: boolean): boolean {
  const [ready, setReady] = useState(there);
  useEffect(() => {
    if (there) startTransition(() => setReady(true));
  }, [there]);
  return there && ready;
}
