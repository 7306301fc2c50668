import type { Schemas } from "../../app/client";

/** The rung above or below on the same ladder, to take the place of a line; nothing at an end of it. */
export function nextRung(
  candidates: Schemas["Candidate"][],
  view: Schemas["PlanChart"] | undefined,
  line: string,
  step: number,
) {
  const at = view?.lines.find((l) => l.line.id === line);
  const ladder = candidates
    .filter((c) => c.ladder === at?.ladder)
    .sort((a, b) => a.rung - b.rung);
  const here = ladder.findIndex((c) => c.exercise === at?.line.exercise);
  const next = ladder[here + step];
  return at && next
    ? { exercise: next.exercise, dose: next.dose, override_reason: null }
    : undefined;
}
