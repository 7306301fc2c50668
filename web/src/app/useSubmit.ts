import { useState } from "react";
import { faultAt } from "./parts";

/** One form on its way: whether it is, what was refused, and which field the refusal is about. */
export function useSubmit() {
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<unknown>();
  /** Does the work; says whether it was done. */
  const run = async (work: () => Promise<unknown>): Promise<boolean> => {
    setBusy(true);
    setError(undefined);
    try {
      await work();
      return true;
    } catch (failure) {
      setError(failure);
      return false;
    } finally {
      setBusy(false);
    }
  };
  /** What a form item shows of a refusal. */
  const fault = (field: string) => {
    const help = faultAt(error, field);
    return help ? ({ validateStatus: "error", help } as const) : {};
  };
  return { busy, error, run, fault };
}
