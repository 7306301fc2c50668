import type { Schemas } from "../../app/client";
import { capital, nameOf, t } from "../../app/wording";

/** What a limit that was shown in the room is at home, as an entry beside its measurement. */
export function landmarkEntry(
  measurement: Schemas["Measurement"],
  words: string,
  id: string,
) {
  const { on, quantity, value } = measurement;
  return {
    kind: "exam_note" as const,
    body: {
      id,
      on,
      kind: "landmark" as const,
      quantity,
      degrees: value,
      words,
    },
    says: t("ranges-landmark-kept", {
      quantity: capital(nameOf("quantity", quantity)),
      degrees: value,
      words,
    }),
  };
}

/** Taken back together with the measurement: a sheet must not tell what was measured wrongly. */
export function takenBack(entry: string, says: string) {
  return {
    kind: "withdrawal" as const,
    body: { entry, kind: "exam_note" as const, reason: "undo" },
    says,
  };
}
