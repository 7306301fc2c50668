import { useEffect, useRef } from "react";
import { useSearchParams } from "react-router";
import type { Schemas } from "../../app/client";
import type { Draft } from "./draft";

/** An exercise that was sent here from the load bench, with its weight or level. */
export function useSent(
  page: Schemas["ProgramPage"] | undefined,
  draft: Draft,
  select: (line: string) => void,
) {
  const [params, setParams] = useSearchParams();
  const { view } = draft;
  // Sent here from the load bench: the line stands in the draft, judged, until the clinician saves it.
  const sent = params.get("add");
  const laid = useRef<string>(null);
  useEffect(() => {
    const candidate = page?.candidates.find((c) => c.exercise === sent);
    // The address changes only after this render: whatever else renders in between must not lay it twice.
    if (!sent || !candidate || !view || laid.current === sent) return;
    laid.current = sent;
    const kg = params.get("kg"),
      level = params.get("level");
    const dose = {
      ...candidate.dose,
      load_kg: kg === null ? (candidate.dose.load_kg ?? null) : Number(kg),
      elastic_level:
        level === null ? (candidate.dose.elastic_level ?? null) : Number(level),
    };
    setParams({}, { replace: true });
    select(
      draft.add({
        exercise: sent,
        from_day: view.today.day,
        to_day: view.today.day + 14,
        dose,
        override_reason: null,
      }),
    );
  }, [sent, params, setParams, page, view, draft, select]);
}
