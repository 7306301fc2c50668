import type { Schemas } from "../../app/client";
import { DraftMark, DraftNotes } from "../../app/DraftNotes";
import { nameOf, t } from "../../app/wording";
import type { Draft } from "./draft";
import { Notice } from "../../app/Notice";

type Line = Schemas["Line"];

/** Lines as a list of exercises, enough to tell two programs apart. */
function linesInWords(lines: Line[]): string {
  return lines.map((l) => nameOf("exercise", l.exercise)).join(", ");
}

/** That the plan on the desk is not saved, what blocks it, and what other windows hold of it. */
export function OnDesk({ draft, blocked }: { draft: Draft; blocked: number }) {
  return (
    <>
      {draft.draft && (
        <Notice
          id="draft"
          kind="decide"
          data={{ took: Math.round(draft.took ?? 0) }}
        >
          {blocked > 0
            ? t("program-blocked", { count: blocked })
            : t("program-draft")}{" "}
          <DraftMark draft={draft.kept} />
        </Notice>
      )}
      <DraftNotes
        draft={draft.kept}
        says={linesInWords}
        field={() => t("program-lines")}
        fieldSays={(_, value) => linesInWords(value as Line[])}
      />
    </>
  );
}
