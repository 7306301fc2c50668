import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../app/client";
import { queryKeys } from "../../app/queryKeys";

/** The follow-up of an episode, shared by everything that shows a part of it. */
export function useVisitPage(episode: string) {
  return useQuery({
    queryKey: queryKeys.visit(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/visit", {
          params: { path: { id: episode } },
        }),
      ),
  });
}
