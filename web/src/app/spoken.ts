import { createContext, useContext } from "react";
import type { Schemas } from "./client";
import { attr, t } from "./wording";

/** How the shoulder of the open episode is spoken of; outside an episode a sore arm without a sling. */
export const SpokenContext = createContext<Schemas["Spoken"]>({
  arm: "sore",
  sling: false,
});

/** Sentences for a patient, in words for this arm. */
export function useSpoken() {
  const { arm, sling } = useContext(SpokenContext);
  const args = { arm, sling: sling ? "on" : "off" };
  return {
    /** Where an exercise starts, how it goes, what it helps with. */
    exercise: (id: string, part: "start" | "how" | "task") =>
      attr(`ex-${id}`, part, args),
    say: (id: string) => t(id, args),
  };
}
