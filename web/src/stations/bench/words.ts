import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";

export type Card = Schemas["ExerciseCard"];
export type Setup = Schemas["Setup"];
export type Answer = Schemas["LoadAnswer"];

/** A set-up in a few words. */
export const setupText = (s: {
  weight_kg?: number | null;
  level?: number | null;
  distance_m?: number | null;
  doubled?: boolean;
}) =>
  [
    s.weight_kg != null ? `${s.weight_kg} kg` : "",
    s.level != null ? t("bench-level", { level: s.level }) : "",
    s.distance_m != null ? `${s.distance_m.toFixed(2)} m` : "",
    s.doubled ? t("bench-doubled") : "",
  ]
    .filter(Boolean)
    .join(", ");
