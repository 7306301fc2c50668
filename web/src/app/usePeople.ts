import { useQuery } from "@tanstack/react-query";
import { api, ask } from "./client";
import { queryKeys } from "./queryKeys";

/** The people of the clinic, and who looks after whose patients. */
export function usePeople() {
  return useQuery({
    queryKey: queryKeys.people,
    queryFn: () => ask(api.GET("/api/people")),
    staleTime: 60_000,
  });
}
