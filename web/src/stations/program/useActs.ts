import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { useSaver } from "../../app/entries";
import { t } from "../../app/wording";
import type { Draft } from "./draft";
import { queryKeys, renew } from "../../app/queryKeys";

/** What is done to the whole program: built, saved, signed; one at a time, whatever is pressed meanwhile. */
export function useActs(episode: string, rev: number, draft: Draft) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [proposal, setProposal] = useState<Schemas["ProposalPage"]>();
  const [told, setTold] = useState("");
  const path = { params: { path: { id: episode } } };
  const run = async (work: () => Promise<void>) => {
    draft.setError(undefined);
    setTold("");
    try {
      await saver.run(work);
    } catch (e) {
      draft.setError(e);
    }
  };
  const keep = (next: Schemas["ProgramPage"], text: string) => {
    queries.setQueryData(queryKeys.program(episode), next);
    renew(queries, ["visit", "story", "day-list"]);
    draft.clear();
    setTold(text);
  };
  return {
    proposal,
    told,
    // Nothing is said to be saved while something unsaved lies on the desk.
    state: draft.draft && saver.state === "saved" ? "idle" : saver.state,
    busy: saver.busy,
    build: (short = false) =>
      run(async () => {
        const next = await ask(
          api.POST("/api/episodes/{id}/program/build", {
            params: { ...path.params, query: { short } },
          }),
        );
        setProposal(next);
        draft.lay(next.chart);
        saver.touch();
      }),
    save: () =>
      run(async () =>
        keep(
          await ask(
            api.PUT("/api/episodes/{id}/program", {
              ...path,
              body: { rev, lines: draft.lines },
            }),
          ),
          t("program-saved"),
        ),
      ),
    sign: () =>
      run(async () =>
        keep(
          await ask(
            api.POST("/api/episodes/{id}/program/sign", {
              ...path,
              body: { rev },
            }),
          ),
          t("program-signed-now"),
        ),
      ),
  } as const;
}

export type Acts = ReturnType<typeof useActs>;
