import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { type ReactNode, useState } from "react";
import { api, ApiProblem, ask } from "../app/client";
import { ProblemNote } from "../app/parts";
import { t } from "../app/wording";

interface Typed {
  login?: string;
  password?: string;
  code?: string;
}

/** The problem of a sign-in by its code. */
const problemOf = (failure: unknown) =>
  failure instanceof ApiProblem
    ? failure.problem.type.replace("urn:ritorno:problem:", "")
    : "";

/** Name and password, and a code for whoever has a second factor. */
export function SignInForm({
  onDone,
  login: known,
}: {
  onDone: () => void;
  /** The name, where it is known already. */
  login?: string;
}) {
  const [error, setError] = useState<unknown>();
  const [busy, setBusy] = useState(false);
  const [asksCode, setAsksCode] = useState(false);
  const submit = async ({ login = "", password = "", code = "" }: Typed) => {
    setBusy(true);
    setError(undefined);
    try {
      await ask(
        api.POST("/api/session", {
          body: { login, password, code: asksCode ? code : null },
        }),
      );
      onDone();
    } catch (failure) {
      const kind = problemOf(failure);
      if (kind === "asks-code") setAsksCode(true);
      else setError(failure);
      if (kind === "wrong-login") setAsksCode(false);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Form<Typed>
      layout="vertical"
      requiredMark={false}
      initialValues={{ login: known }}
      onFinish={(typed) => void submit(typed)}
    >
      <ProblemNote error={error} />
      <Form.Item name="login" label={t("sign-in-name")}>
        <Input
          autoComplete="username"
          autoCapitalize="none"
          autoFocus={!known}
        />
      </Form.Item>
      <Form.Item name="password" label={t("sign-in-password")}>
        <Input.Password autoComplete="current-password" autoFocus={!!known} />
      </Form.Item>
      {asksCode && (
        <Form.Item
          name="code"
          label={t("sign-in-code")}
          extra={t("sign-in-code-lost")}
        >
          <Input autoComplete="one-time-code" autoFocus />
        </Form.Item>
      )}
      <Button type="primary" htmlType="submit" loading={busy} id="sign-in">
        {t("sign-in")}
      </Button>
    </Form>
  );
}

/** The way in: what this is on one side, what is asked on the other. */
export function Entrance({ children }: { children: ReactNode }) {
  return (
    <main className="signin bare">
      <div className="left">
        <div>
          <h1>{t("app-name")}</h1>
          <p className="above-14">{t("sign-in-lead")}</p>
        </div>
        <svg viewBox="0 0 520 210" aria-hidden="true" className="w-620">
          <path
            d="M0 180H90V120H210V70H330V20H520"
            fill="none"
            stroke="var(--ground)"
            strokeWidth="3"
          />
          <path
            d="M0 200H90V175H210V140H330V95H520"
            fill="none"
            stroke="var(--ground)"
            strokeWidth="2"
            strokeDasharray="7 5"
          />
          {[
            [20, 192],
            [70, 186],
            [125, 158],
            [180, 140],
            [240, 116],
            [290, 98],
            [360, 74],
            [430, 52],
          ].map(([x, y]) => (
            <circle key={x} cx={x} cy={y} r="6" fill="var(--saffron)" />
          ))}
        </svg>
        <p className="size-15">{t("caution")}</p>
      </div>
      <div className="signin-form">{children}</div>
    </main>
  );
}

export function SignIn({ onDone }: { onDone: () => void }) {
  return (
    <Entrance>
      <h2>{t("sign-in-title")}</h2>
      <SignInForm onDone={onDone} />
    </Entrance>
  );
}
