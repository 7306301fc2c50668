import Segmented from "antd/es/segmented";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";

const ALL = "all";

/** Whose shoulders, of which pathway, in which phase: all of it stands in the address. */
export function Filters({
  places,
  mine,
  pathway,
  phase,
  onLook,
}: {
  /** Pathways and phases that anybody is in. */
  places: Schemas["InPhase"][];
  mine: boolean;
  pathway: string;
  phase: string;
  onLook: (change: Record<string, string>) => void;
}) {
  const listed = (kind: string, ids: string[]) => [
    { value: ALL, label: t(`filter-all-${kind}`) },
    ...[...new Set(ids)]
      .filter(Boolean)
      .map((id) => ({ value: id, label: nameOf(kind, id) })),
  ];
  const phases = places
    .filter((p) => pathway === "" || p.pathway === pathway)
    .map((p) => p.phase);
  const empty = (value: string) => (value === ALL ? "" : value);
  return (
    <div className="row wrap filters" role="group" aria-label={t("filters")}>
      <Segmented
        id="filter-mine"
        value={mine ? "mine" : ALL}
        onChange={(whose) => onLook({ mine: whose === "mine" ? "1" : "" })}
        options={[
          { value: ALL, label: t("filter-everybody") },
          { value: "mine", label: t("filter-mine") },
        ]}
      />
      <Choose
        id="filter-pathway"
        aria-label={t("filter-pathway")}
        value={pathway || ALL}
        options={listed(
          "pathway",
          places.map((p) => p.pathway),
        )}
        onChange={(next) => onLook({ pathway: empty(next), phase: "" })}
      />
      <Choose
        id="filter-phase"
        aria-label={t("filter-phase")}
        value={phase || ALL}
        options={listed("phase", phases)}
        onChange={(next) => onLook({ phase: empty(next) })}
      />
    </div>
  );
}
