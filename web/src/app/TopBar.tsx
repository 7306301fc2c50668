import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import { NavLink } from "react-router";
import { api, ask, type Schemas } from "./client";
import { choose, useLook } from "./look";
import type { Outbox } from "./outbox";
import { t } from "./wording";

const SignOutAsk = lazy(() =>
  import("./SignOutAsk").then((m) => ({ default: m.SignOutAsk })),
);

const PLACES = [
  ["/", "nav-decisions"],
  ["/library", "nav-library"],
  ["/clinic", "nav-clinic"],
] as const;

/** Where to go, who is signed in, what waits. */
export function TopBar({
  me,
  box,
  onOutbox,
  onFind,
  onHelp,
}: {
  me: Schemas["Me"];
  box: Outbox;
  onOutbox: () => void;
  onFind: () => void;
  onHelp: () => void;
}) {
  return (
    <header className="topbar no-print">
      <NavLink className="wordmark" to="/">
        <svg width="24" height="24" viewBox="0 0 32 32" aria-hidden="true">
          <path
            d="M6 27V16a10 10 0 0 1 20 0"
            fill="none"
            stroke="var(--petrol)"
            strokeWidth="5"
            strokeLinecap="round"
          />
          <circle cx="26" cy="24" r="3.6" fill="var(--saffron)" />
        </svg>
        {t("app-name")}
      </NavLink>
      <nav aria-label={t("nav-main")}>
        {PLACES.map(([to, name]) => (
          <NavLink
            key={to}
            to={to}
            end={to === "/"}
            className={({ isActive }) => (isActive ? "on" : "")}
          >
            {t(name)}
          </NavLink>
        ))}
      </nav>
      <span className="who">
        {box.mine.length > 0 && (
          <button
            className={`waits-pill${box.mine.some((w) => w.refused) ? " refused" : ""}`}
            id="queue"
            onClick={onOutbox}
          >
            {t("queue-waiting", { count: box.mine.length })}
          </button>
        )}
        <button className="plain look" id="find-open" onClick={onFind}>
          <kbd>/</kbd>
          <span>{t("find")}</span>
        </button>
        <button className="plain look" id="help" onClick={onHelp}>
          <kbd>?</kbd>
          <span className="wide-only">{t("keys")}</span>
        </button>
        <LookSwitch />
        <NavLink to="/me" className="own-account" id="own-account">
          {me.name}, {t(`role-${me.role.replace("_", "-")}`)}
        </NavLink>
        <SignOut box={box} onOutbox={onOutbox} />
      </span>
    </header>
  );
}

/** Signing out with entries that wait asks first: they stay on this machine, and only this person can send them. */
function SignOut({ box, onOutbox }: { box: Outbox; onOutbox: () => void }) {
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<unknown>();
  const leave = async () => {
    setError(undefined);
    try {
      await ask(api.DELETE("/api/session"));
      window.location.assign("/");
    } catch (failure) {
      setError(failure);
      setAsking(true);
    }
  };
  return (
    <>
      <Button
        size="small"
        id="sign-out"
        onClick={() => (box.mine.length > 0 ? setAsking(true) : void leave())}
      >
        {t("sign-out")}
      </Button>
      {asking && (
        <Suspense fallback={null}>
          <SignOutAsk
            waiting={box.mine.length}
            error={error}
            onStay={() => setAsking(false)}
            onLook={() => {
              setAsking(false);
              onOutbox();
            }}
            onLeave={() => void leave()}
          />
        </Suspense>
      )}
    </>
  );
}

/** Half a disc, turned to the side that is dark. */
function LookSwitch() {
  const look = useLook();
  const other = look === "dark" ? "light" : "dark";
  const half = look === "dark" ? "0 0" : "0 1";
  return (
    <button
      className="plain look"
      id="look"
      aria-label={t(`look-${other}`)}
      title={t(`look-${other}`)}
      onClick={() => choose(other)}
    >
      <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
        <circle
          cx="10"
          cy="10"
          r="7.6"
          fill="none"
          stroke="currentColor"
          strokeWidth="1.8"
        />
        <path d={`M10 2.4a7.6 7.6 0 ${half} 0 15.2Z`} fill="currentColor" />
      </svg>
    </button>
  );
}
