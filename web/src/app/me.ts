import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "./client";
import { queryKeys } from "./queryKeys";

/** Asks who is signed in. */
export const meQuery = {
  queryKey: queryKeys.me,
  queryFn: () => ask(api.GET("/api/session")),
};

/** Who is signed in; the shell shows nothing else before that is known. */
export function useMe(): Schemas["Me"] | undefined {
  return useQuery(meQuery).data;
}
