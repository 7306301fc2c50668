import { useCallback, useRef, useState } from "react";
import type { Typed } from "./numbers";

/**
 * Fields that hold something which may not be kept. Nothing is saved while one does: the first of them gets the focus.
 */
export function useFaulty() {
  const fields = useRef(new Set<string>());
  const [held, setHeld] = useState(false);
  /** Notes what a field says, and hands on a value that may be kept. */
  const take = useCallback(
    (field: string, set: (value: number | null) => void) => (value: Typed) => {
      if (value === undefined) fields.current.add(field);
      else {
        fields.current.delete(field);
        if (fields.current.size === 0) setHeld(false);
        set(value);
      }
    },
    [],
  );
  /** True when nothing stands in the way; else shows where it does. */
  const clear = useCallback((): boolean => {
    const open = fields.current.size === 0;
    setHeld(!open);
    if (!open)
      document
        .querySelector<HTMLElement>("[aria-invalid=true], .faulty input")
        ?.focus();
    return open;
  }, []);
  const forget = useCallback((field: string) => {
    fields.current.delete(field);
  }, []);
  return { take, clear, held, forget };
}

export type Faulty = ReturnType<typeof useFaulty>;
