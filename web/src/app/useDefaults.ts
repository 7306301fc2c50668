import { useQuery } from "@tanstack/react-query";
import { api, ask } from "./client";
import { queryKeys } from "./queryKeys";

/** What the clinic has set for itself, once it is there. */
export function useDefaults() {
  return useQuery({
    queryKey: queryKeys.defaults,
    queryFn: () => ask(api.GET("/api/defaults")),
    staleTime: 60_000,
  }).data?.defaults;
}
