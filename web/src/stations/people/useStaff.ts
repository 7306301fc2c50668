import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../app/client";
import { queryKeys } from "../../app/queryKeys";

/** Everybody as a lead sees them, and the rules about access. */
export function useStaff() {
  return useQuery({
    queryKey: queryKeys.staff,
    queryFn: () => ask(api.GET("/api/staff")),
  });
}
