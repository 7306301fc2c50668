import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "./client";
import { queryKeys } from "./queryKeys";

/** Who is signed in; the shell shows nothing else before that is known. */
export function useMe(): Schemas["Me"] | undefined {
  return useQuery({
    queryKey: queryKeys.me,
    queryFn: () => ask(api.GET("/api/session")),
  }).data;
}
