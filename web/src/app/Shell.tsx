import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { lazy, Suspense, useEffect, useState } from "react";
import {
  NavLink,
  Navigate,
  Route,
  Routes,
  useLocation,
  useNavigate,
} from "react-router";
import { SignIn } from "../stations/SignIn";
import { choose, useLook } from "./look";
import { api, ApiProblem, ask, type Problem } from "./client";
import { drain, watchQueue } from "./queue";
import { Pending, Waiting } from "./parts";
import { t } from "./wording";

const Decisions = lazy(() => import("../stations/Decisions"));
const Clinic = lazy(() => import("../stations/Clinic"));
const Library = lazy(() => import("../stations/Library"));
const Patient = lazy(() => import("../stations/Patient"));

/** The frame of every signed-in page. */
export function Shell() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const location = useLocation();
  const me = useQuery({
    queryKey: ["me"],
    queryFn: () => ask(api.GET("/api/session")),
  });
  const [waiting, setWaiting] = useState(0);
  const [refused, setRefused] = useState<Problem>();
  useEffect(() => watchQueue(setWaiting), []);
  useEffect(() => {
    const onRefused = (e: Event) =>
      setRefused((e as CustomEvent<Problem>).detail);
    window.addEventListener("ritorno-refused", onRefused);
    // What waits is tried again every two seconds, in order.
    const timer = window.setInterval(() => {
      void drain().then((sent) => {
        if (sent) void queries.invalidateQueries();
      });
    }, 2000);
    return () => {
      window.removeEventListener("ritorno-refused", onRefused);
      window.clearInterval(timer);
    };
  }, [queries]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.key === "/") {
        e.preventDefault();
        if (location.pathname !== "/") void navigate("/");
        window.setTimeout(() => document.getElementById("search")?.focus(), 60);
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [navigate, location.pathname]);

  if (me.error instanceof ApiProblem && me.error.problem.status === 401)
    return <SignIn onDone={() => void queries.invalidateQueries()} />;
  const queue = waiting > 0 && (
    <div className="sends" role="status" id="queue">
      {t("queue-waiting", { count: waiting })}
    </div>
  );
  if (!me.data)
    return (
      <main>
        <Pending query={me} />
        {queue}
      </main>
    );
  return (
    <div className="shell">
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
          <NavLink
            to="/"
            end
            className={({ isActive }) => (isActive ? "on" : "")}
          >
            {t("nav-decisions")}
          </NavLink>{" "}
          <NavLink
            to="/library"

            className={({ isActive }) => (isActive ? "on" : "")}
          >
            {t("nav-library")}
          </NavLink>{" "}
          <NavLink
            to="/clinic"

            className={({ isActive }) => (isActive ? "on" : "")}
          >
            {t("nav-clinic")}
          </NavLink>
        </nav>
        <span className="who">
          <LookSwitch />
          <span>
            {me.data.name}, {t(`role-${me.data.role}`)}
          </span>
          <Button
            size="small"
            onClick={() =>
              void api.DELETE("/api/session").then(() => {
                queries.clear();
                void queries.invalidateQueries();
                window.location.assign("/");
              })
            }
          >
            {t("sign-out")}
          </Button>
        </span>
      </header>
      <main>
        {refused && (
          <div className="notice stop" role="alert">
            {t("queue-refused")} {refused.title}{" "}
            {refused.fields.map((f) => `${f.field}: ${f.message}`).join("; ")}{" "}
            <Button size="small" onClick={() => setRefused(undefined)}>
              {t("close")}
            </Button>
          </div>
        )}
        <Suspense fallback={<Waiting />}>
          <Routes>
            <Route path="/" element={<Decisions today={me.data.today} />} />
            <Route
              path="/clinic/:room?"
              element={
                <Clinic lead={me.data.role === "lead"} today={me.data.today} />
              }
            />
            <Route path="/library" element={<Library />} />
            <Route path="/library/:exercise" element={<Library />} />
            <Route
              path="/e/:episode/*"
              element={<Patient today={me.data.today} />}
            />
            <Route path="*" element={<Navigate to="/" />} />
          </Routes>
        </Suspense>
        <p className="soft small no-print above-44">{t("caution")}</p>
      </main>
      {queue}
    </div>
  );
}

/** Half a disc, turned to the side that is dark. */
function LookSwitch() {
  const look = useLook();
  const other = look === "dark" ? "light" : "dark";
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
        <path
          d={
            look === "dark"
              ? "M10 2.4a7.6 7.6 0 0 0 0 15.2Z"
              : "M10 2.4a7.6 7.6 0 0 1 0 15.2Z"
          }
          fill="currentColor"
        />
      </svg>
    </button>
  );
}
