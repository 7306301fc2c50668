import { useQuery, useQueryClient } from "@tanstack/react-query";
import Modal from "antd/es/modal";
import { useEffect, useState } from "react";
import { SignInForm } from "../stations/SignIn";
import { api, ApiProblem, ask, type Schemas } from "./client";
import { t } from "./wording";

type Me = Schemas["Me"];

/** Who is signed in; once known it stays known while the session has lapsed, so that the page stays as it is. */
export function useSession() {
  const queries = useQueryClient();
  const query = useQuery({
    queryKey: ["me"],
    queryFn: () => ask(api.GET("/api/session")),
  });
  const out =
    query.error instanceof ApiProblem && query.error.problem.status === 401;
  const [known, setKnown] = useState<Me>();
  if (query.data && query.data !== known && !out) setKnown(query.data);
  useEffect(() => {
    const signedOut = () => void queries.refetchQueries({ queryKey: ["me"] });
    window.addEventListener("ritorno-signed-out", signedOut);
    return () => window.removeEventListener("ritorno-signed-out", signedOut);
  }, [queries]);
  return { query, me: known, out };
}

/**
 * A session that has lapsed asks to sign in over the page: what stands on it, typed or not, stays. Somebody else who
 * signs in begins on a page of their own.
 */
export function SignInAgain({ me }: { me: Me }) {
  const queries = useQueryClient();
  const done = async () => {
    const now = await queries.fetchQuery({
      queryKey: ["me"],
      queryFn: () => ask(api.GET("/api/session")),
      staleTime: 0,
    });
    if (now.id !== me.id) window.location.assign("/");
    else await queries.invalidateQueries();
  };
  return (
    <Modal
      open
      closable={false}
      keyboard={false}
      mask={{ closable: false }}
      footer={null}
      title={t("session-lapsed")}
      width={440}
    >
      <p>{t("session-lapsed-lead", { name: me.name })}</p>
      <SignInForm onDone={() => void done()} />
    </Modal>
  );
}
