import type { Schemas } from "./client";
import { t } from "./wording";

/** Seconds as they are said: whole minutes from two on. */
function lasting(seconds: number): string {
  return seconds >= 120 && seconds % 60 === 0
    ? t("lasting-minutes", { n: seconds / 60 })
    : t("lasting-seconds", { n: seconds });
}

/** A dose in short: sets of repetitions with their hold, or sets of a time. */
export function doseInShort(dose: Schemas["Dose"]): string {
  if (dose.duration_s != null)
    return `${dose.sets} × ${lasting(dose.duration_s)}`;
  const hold = dose.hold_s ?? 0;
  const held = hold > 0 ? ` · ${t("hold-s", { s: hold })}` : "";
  return `${dose.sets} × ${dose.repetitions}${held}`;
}

/** The fields that say how much of a set is done: repetitions and hold, or the time. */
export function muchOf(dose: Schemas["Dose"]) {
  return dose.duration_s != null
    ? (["duration_s"] as const)
    : (["repetitions", "hold_s"] as const);
}
