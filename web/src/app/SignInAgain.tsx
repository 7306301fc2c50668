import { useQueryClient } from "@tanstack/react-query";
import Modal from "antd/es/modal";
import { SignInForm } from "../stations/SignIn";
import { api, ask, type Schemas } from "./client";
import { t } from "./wording";
import { queryKeys } from "./queryKeys";

type Me = Schemas["Me"];

/**
 * A session that has lapsed asks to sign in over the page: what stands on it, typed or not, stays. Somebody else who
 * signs in begins on a page of their own.
 */
export function SignInAgain({ me }: { me: Me }) {
  const queries = useQueryClient();
  const done = async () => {
    const now = await queries.fetchQuery({
      queryKey: queryKeys.me,
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
