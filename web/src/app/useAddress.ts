import { useCallback } from "react";
import { useSearchParams } from "react-router";

/** What is looked for stands in the address: it survives a reload, and can be sent to a colleague. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  const look = useCallback(
    (change: Record<string, string>) =>
      setParams(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [name, value] of Object.entries(change))
            if (value === "") next.delete(name);
            else next.set(name, value);
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  return { params, look };
}
