import { useQuery, useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useState } from "react";
import {
  Navigate,
  Route,
  Routes,
  useLocation,
  useNavigate,
} from "react-router";
import { SignIn } from "../stations/SignIn";
import { api, ApiProblem, ask } from "./client";
import { useKeys } from "./keys";
import { drain, type Outbox as Box, signedInAs, watchOutbox } from "./outbox";
import { Pending, Waiting } from "./parts";
import { TopBar } from "./TopBar";
import { t } from "./wording";

const Decisions = lazy(() => import("../stations/Decisions"));
const Clinic = lazy(() => import("../stations/Clinic"));
const Library = lazy(() => import("../stations/Library"));
const Patient = lazy(() => import("../stations/Patient"));
const Outbox = lazy(() =>
  import("./Outbox").then((m) => ({ default: m.Outbox })),
);

/** How often what waits is tried again. */
const AGAIN_MS = 2_000;

/** What waits, and its being sent whenever the server is there. */
function useOutbox(user: string | undefined): Box {
  const queries = useQueryClient();
  const [box, setBox] = useState<Box>({ mine: [], others: 0, denied: false });
  useEffect(() => watchOutbox(setBox), []);
  useEffect(() => {
    signedInAs(user ?? "");
    const send = () =>
      void drain().then((stored) => {
        if (stored) void queries.invalidateQueries();
      });
    const signedOut = () =>
      void queries.invalidateQueries({ queryKey: ["me"] });
    send();
    const timer = window.setInterval(send, AGAIN_MS);
    window.addEventListener("online", send);
    window.addEventListener("ritorno-signed-out", signedOut);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener("online", send);
      window.removeEventListener("ritorno-signed-out", signedOut);
    };
  }, [queries, user]);
  return box;
}

/** The frame of every signed-in page. */
export function Shell() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [outbox, setOutbox] = useState(false);
  const me = useQuery({
    queryKey: ["me"],
    queryFn: () => ask(api.GET("/api/session")),
  });
  const signedOut =
    me.error instanceof ApiProblem && me.error.problem.status === 401;
  const box = useOutbox(signedOut ? undefined : me.data?.id);
  useKeys((e) => {
    if (e.key !== "/") return false;
    if (pathname !== "/") void navigate("/");
    window.setTimeout(() => document.getElementById("search")?.focus(), 60);
    return true;
  });
  if (signedOut)
    return <SignIn onDone={() => void queries.invalidateQueries()} />;
  if (!me.data)
    return (
      <main>
        {box.others > 0 && (
          <div className="notice decide" id="queue">
            {t("queue-waiting", { count: box.others })}
          </div>
        )}
        <Pending query={me} />
      </main>
    );
  const { today } = me.data;
  return (
    <div className="shell">
      <TopBar me={me.data} box={box} onOutbox={() => setOutbox(true)} />
      <main>
        {box.denied && (
          <div className="notice decide" id="denied">
            {t("outbox-denied")}
          </div>
        )}
        {box.mine.some((w) => w.refused) && (
          <div className="notice stop" role="alert" id="refused">
            {t("queue-refused")}{" "}
            <button className="plain" onClick={() => setOutbox(true)}>
              {t("outbox-title")}
            </button>
          </div>
        )}
        <Suspense fallback={<Waiting />}>
          <Routes>
            <Route path="/" element={<Decisions today={today} />} />
            <Route
              path="/clinic/:room?"
              element={<Clinic lead={me.data.role === "lead"} today={today} />}
            />
            <Route path="/library" element={<Library />} />
            <Route path="/library/:exercise" element={<Library />} />
            <Route path="/e/:episode/*" element={<Patient today={today} />} />
            <Route path="*" element={<Navigate to="/" />} />
          </Routes>
        </Suspense>
        <p className="soft small no-print above-44">{t("caution")}</p>
      </main>
      {outbox && (
        <Suspense fallback={null}>
          <Outbox box={box} onClose={() => setOutbox(false)} />
        </Suspense>
      )}
    </div>
  );
}
