import type { QueryClient } from "@tanstack/react-query";
import type { Schemas } from "../../app/client";
import type { useEntry } from "../../app/entries";
import type { Post } from "./post";
import { queryKeys } from "../../app/queryKeys";

/** Kinds that are answered with the lane alone; the page is asked for again. */
const LANE_ONLY = ["exam_note", "withdrawal", "log"];

/** Hands an entry in and shows the page that answers it at once. */
export function postTo(
  keep: ReturnType<typeof useEntry>["keep"],
  queries: QueryClient,
  episode: string,
): Post {
  return async (entry, slot, back) => {
    const kept = await keep(entry, slot, back);
    if (!LANE_ONLY.includes(entry.kind) && kept?.reply !== undefined)
      queries.setQueryData(
        queryKeys.visit(episode),
        kept.reply as Schemas["VisitPage"],
      );
    return kept !== undefined;
  };
}
