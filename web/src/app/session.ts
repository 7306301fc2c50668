import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { ApiProblem, type Schemas } from "./client";
import { meQuery } from "./me";
import { queryKeys } from "./queryKeys";

type Me = Schemas["Me"];

/** Who is signed in; once known it stays known while the session has lapsed, so that the page stays as it is. */
export function useSession() {
  const queries = useQueryClient();
  const query = useQuery(meQuery);
  const out =
    query.error instanceof ApiProblem && query.error.problem.status === 401;
  const [known, setKnown] = useState<Me>();
  if (query.data && query.data !== known && !out) setKnown(query.data);
  useEffect(() => {
    const signedOut = () =>
      void queries.refetchQueries({ queryKey: queryKeys.me });
    window.addEventListener("ritorno-signed-out", signedOut);
    return () => window.removeEventListener("ritorno-signed-out", signedOut);
  }, [queries]);
  return { query, me: known, out };
}
