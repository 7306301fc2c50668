import "../../../locales/en/stations/account.ftl?learn";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useEffect, useState } from "react";
import { api, ask, type Schemas } from "../app/client";
import { ProblemNote, Waiting } from "../app/parts";
import { useSubmit } from "../app/useSubmit";
import { moment, t } from "../app/wording";
import { Entrance, SignInForm } from "./SignIn";

type For = Schemas["LinkFor"];

interface Chosen {
  login?: string;
  name?: string;
  password?: string;
}

/** A link that works once: whoever opens it chooses a password, and the first of a clinic also a name. */
export default function Join() {
  // The token stands behind a #: it is sent to nobody but the clinic, and stands in no log.
  const [token] = useState(() => window.location.hash.slice(1));
  const [whom, setWhom] = useState<For>();
  const [login, setLogin] = useState<string>();
  const [wrong, setWrong] = useState<unknown>();
  const { busy, error, run, fault } = useSubmit();
  useEffect(() => {
    document.title = t("app-name");
    ask(api.POST("/api/links/open", { body: { token } }))
      .then(setWhom)
      .catch(setWrong);
  }, [token]);
  const choose = async ({ login = "", name = "", password = "" }: Chosen) => {
    const body = { token, password, login, name };
    await run(async () =>
      setLogin((await ask(api.POST("/api/links/use", { body }))).login),
    );
  };
  if (login !== undefined)
    return (
      <Entrance>
        <h2>{t("join-done")}</h2>
        <p className="flush">{t("join-done-lead", { login })}</p>
        <SignInForm login={login} onDone={() => window.location.assign("/")} />
      </Entrance>
    );
  if (!whom)
    return (
      <Entrance>
        <h2>{t("join-title")}</h2>
        {wrong ? <ProblemNote error={wrong} /> : <Waiting />}
      </Entrance>
    );
  return (
    <Entrance>
      <h2>
        {whom.name ? t("join-welcome", { person: whom.name }) : t("join-first")}
      </h2>
      <p className="flush">
        {whom.login
          ? t("join-lead", {
              login: whom.login,
              what: t(`role-${whom.role.replace("_", "-")}`),
            })
          : t("join-first-lead")}
      </p>
      <ProblemNote error={error} />
      <Form<Chosen>
        name="join"
        layout="vertical"
        requiredMark={false}
        onFinish={(chosen) => void choose(chosen)}
      >
        {!whom.login && (
          <>
            <Form.Item name="name" label={t("join-name")} {...fault("name")}>
              <Input autoComplete="name" autoFocus />
            </Form.Item>
            <Form.Item
              name="login"
              label={t("join-login")}
              extra={t("join-login-how")}
              {...fault("login")}
            >
              <Input autoComplete="username" autoCapitalize="none" />
            </Form.Item>
          </>
        )}
        <Form.Item
          name="password"
          label={t("password-new")}
          extra={t("password-how")}
          {...fault("password")}
        >
          <Input.Password
            autoComplete="new-password"
            autoFocus={!!whom.login}
          />
        </Form.Item>
        <Button
          type="primary"
          htmlType="submit"
          loading={busy}
          id="join-choose"
        >
          {t("join-choose")}
        </Button>
      </Form>
      <p className="soft small flush">
        {t("join-until", { when: moment(whom.until) })}
      </p>
    </Entrance>
  );
}
