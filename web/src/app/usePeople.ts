import { useQuery } from "@tanstack/react-query";
import { api, ask } from "./client";

/** The people of the clinic, and who looks after whose patients. */
export function usePeople() {
  return useQuery({
    queryKey: ["people"],
    queryFn: () => ask(api.GET("/api/people")),
    staleTime: 60_000,
  });
}
