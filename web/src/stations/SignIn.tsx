import Button from "antd/es/button";
import { useState } from "react";
import { api, ask } from "../app/client";
import { ProblemNote } from "../app/parts";
import { t } from "../app/wording";

export function SignIn({ onDone }: { onDone: () => void }) {
  const [login, setLogin] = useState("");
  const [password, setPassword] = useState("");
  const [error, setError] = useState<unknown>();
  const [busy, setBusy] = useState(false);
  const submit = async (e: React.FormEvent) => {
    e.preventDefault();
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
      <form onSubmit={(e) => void submit(e)}>
        <h2>{t("sign-in-title")}</h2>
        <ProblemNote error={error} />
        <label className="field">
          {t("sign-in-name")}
          <input
            className="native"
            id="login"
            autoComplete="username"
            value={login}
            onChange={(e) => setLogin(e.target.value)}
            autoFocus
          />
        </label>
        <label className="field">
          {t("sign-in-password")}
          <input
            className="native"
            id="password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
          />
        </label>
        <Button type="primary" htmlType="submit" loading={busy} id="sign-in">
          {t("sign-in")}
        </Button>
      </form>
    </main>
  );
}
