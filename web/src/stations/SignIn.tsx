import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask } from "../app/client";
import { ProblemNote } from "../app/parts";
import { t } from "../app/wording";

interface Typed {
  login?: string;
  password?: string;
}

/** Name and password. */
export function SignInForm({ onDone }: { onDone: () => void }) {
  const [error, setError] = useState<unknown>();
  const [busy, setBusy] = useState(false);
  const submit = async ({ login = "", password = "" }: Typed) => {
    setBusy(true);
    setError(undefined);
    try {
      await ask(api.POST("/api/session", { body: { login, password } }));
      onDone();
    } catch (failure) {
      setError(failure);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Form<Typed>
      layout="vertical"
      requiredMark={false}
      onFinish={(typed) => void submit(typed)}
    >
      <ProblemNote error={error} />
      <Form.Item name="login" label={t("sign-in-name")}>
        <Input autoComplete="username" autoFocus />
      </Form.Item>
      <Form.Item name="password" label={t("sign-in-password")}>
        <Input.Password autoComplete="current-password" />
      </Form.Item>
      <Button type="primary" htmlType="submit" loading={busy} id="sign-in">
        {t("sign-in")}
      </Button>
    </Form>
  );
}

export function SignIn({ onDone }: { onDone: () => void }) {
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
      <div className="signin-form">
        <h2>{t("sign-in-title")}</h2>
        <SignInForm onDone={onDone} />
      </div>
    </main>
  );
}
