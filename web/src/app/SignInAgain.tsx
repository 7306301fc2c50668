import { useQueryClient } from "@tanstack/react-query";
import Modal from "antd/es/modal";
import { SignInForm } from "../stations/SignIn";
import type { Schemas } from "./client";
import { meQuery } from "./me";
import { t } from "./wording";

type Me = Schemas["Me"];

/**
 * A session that has lapsed asks to sign in over the page: what stands on it, typed or not, stays. Somebody else who
 * signs in begins on a page of their own.
 */
export function SignInAgain({ me }: { me: Me }) {
  const queries = useQueryClient();
  const done = async () => {
    const now = await queries.fetchQuery({
      ...meQuery,
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
      rootClassName="locked"
      footer={null}
      title={t("session-lapsed")}
      width={440}
    >
      <p>{t("session-lapsed-lead", { name: me.name })}</p>
      <SignInForm login={me.login} onDone={() => void done()} />
    </Modal>
  );
}
