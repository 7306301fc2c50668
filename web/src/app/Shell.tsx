import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useState } from "react";
import { Route, Routes, useLocation, useNavigate } from "react-router";
import { Armed } from "./Armed";
import { useGoKeys, useGoPlaces, useShortcuts } from "./keys";
import { drain, type Outbox as Box, signedInAs, watchOutbox } from "./outbox";
import { Pending, Waiting } from "./parts";
import { useSession } from "./session";
import { useIdleLock } from "./useIdleLock";
import { NewVersion } from "./Version";
import { TopBar } from "./TopBar";
import { useReady } from "./useReady";
import { usePageTitle } from "./usePageTitle";
import { t } from "./wording";
import { Notice } from "./Notice";

const Decisions = lazy(() => import("../stations/Decisions"));
const Clinic = lazy(() => import("../stations/Clinic"));
const NoSuchPage = lazy(() => import("../stations/NoSuchPage"));
const Library = lazy(() => import("../stations/Library"));
const Patient = lazy(() => import("../stations/Patient"));
const SignIn = lazy(() =>
  import("../stations/SignIn").then((m) => ({ default: m.SignIn })),
);
const Account = lazy(() => import("../stations/Account"));
const Join = lazy(() => import("../stations/Join"));
const SignInAgain = lazy(() =>
  import("./SignInAgain").then((m) => ({ default: m.SignInAgain })),
);
const KeyHelp = lazy(() =>
  import("./KeyHelp").then((m) => ({ default: m.KeyHelp })),
);
const Find = lazy(() => import("./Find").then((m) => ({ default: m.Find })));
const Outbox = lazy(() =>
  import("./Outbox").then((m) => ({ default: m.Outbox })),
);

/** Places outside a patient, reached by `g` and a letter. */
const PLACES = [
  { letter: "d", name: "nav-decisions", to: "/" },
  { letter: "l", name: "nav-library", to: "/library" },
  { letter: "c", name: "nav-clinic", to: "/clinic" },
];

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
    send();
    const timer = window.setInterval(send, AGAIN_MS);
    window.addEventListener("online", send);
    return () => {
      window.clearInterval(timer);
      window.removeEventListener("online", send);
    };
  }, [queries, user]);
  return box;
}

/** The page opened by itself, and the server does not answer: what can be done, and what waits on this machine. */
function Away({ failed, box }: { failed: unknown; box: Box }) {
  const waiting = box.others + box.mine.length;
  if (!failed) return null;
  return (
    <section className="notice decide" id="away" role="status">
      <h1 className="size-21">{t("away-title")}</h1>
      <p>{t("away-lead")}</p>
      {waiting > 0 && (
        <p className="flush" id="queue">
          {t("queue-waiting", { count: waiting })}
        </p>
      )}
    </section>
  );
}

/** The frame of every signed-in page. */
export function Shell() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [outbox, setOutbox] = useState(false);
  const [help, setHelp] = useState(false);
  const [finding, setFinding] = useState(false);
  const { query, me: known, out } = useSession();
  const ready = useReady(known !== undefined);
  const me = ready ? known : undefined;
  const box = useOutbox(out ? undefined : me?.id);
  useShortcuts((e) => {
    if (!me) return false;
    if (e.key === "?") setHelp(true);
    else if (e.key === "/") setFinding(true);
    else return false;
    return true;
  });
  useGoKeys((to) => void navigate(to));
  useGoPlaces(PLACES);
  usePageTitle(me ? pathname : "");
  useIdleLock(out ? undefined : me?.idle_minutes);
  if (pathname === "/join")
    return (
      <Suspense fallback={<Waiting />}>
        <Join />
      </Suspense>
    );
  if (out && !me)
    return (
      <Suspense fallback={<Waiting />}>
        <SignIn onDone={() => void queries.invalidateQueries()} />
      </Suspense>
    );
  if (!me)
    return (
      <main>
        <Away failed={query.failureReason ?? query.error} box={box} />
        <Pending query={query} />
      </main>
    );
  const { today } = me;
  // Something has to be done first, and nothing else is open before that.
  if (me.must)
    return (
      <Suspense fallback={<Waiting />}>
        <Account me={me} />
      </Suspense>
    );
  return (
    <div className="shell">
      <a className="skip" href="#main">
        {t("skip-link")}
      </a>
      {me.demo && (
        <p className="ribbon no-print" id="demo-ribbon">
          {t("demo-ribbon")}
        </p>
      )}
      <TopBar
        me={me}
        onFind={() => setFinding(true)}
        onHelp={() => setHelp(true)}
        box={box}
        onOutbox={() => setOutbox(true)}
      />
      <main id="main" tabIndex={-1}>
        <NewVersion />
        {box.denied && (
          <Notice id="denied" kind="decide">
            {t("outbox-denied")}
          </Notice>
        )}
        {box.mine.some((w) => w.refused) && (
          <Notice role="alert" id="refused" kind="stop">
            {t("queue-refused")}{" "}
            <button className="plain" onClick={() => setOutbox(true)}>
              {t("outbox-title")}
            </button>
          </Notice>
        )}
        <Suspense fallback={<Waiting />}>
          <Routes>
            <Route path="/" element={<Decisions today={today} />} />
            <Route
              path="/clinic/:room?"
              element={
                <Clinic
                  lead={me.role === "lead"}
                  audits={me.role === "lead" || me.role === "auditor"}
                  me={me.id}
                  today={today}
                />
              }
            />
            <Route path="/me" element={<Account me={me} />} />
            <Route path="/library" element={<Library />} />
            <Route path="/library/:exercise" element={<Library />} />
            <Route path="/e/:episode/*" element={<Patient today={today} />} />
            <Route path="*" element={<NoSuchPage />} />
          </Routes>
        </Suspense>
        <p className="soft small no-print above-14">{t("caution")}</p>
      </main>
      <Armed />
      {out && (
        <Suspense fallback={null}>
          <SignInAgain me={me} />
        </Suspense>
      )}
      {finding && (
        <Suspense fallback={null}>
          <Find
            episode={/^\/e\/([^/]+)/.exec(pathname)?.[1]}
            acts={[
              {
                name: "new-patient",
                run: () => void navigate("/?new=1"),
              },
              { name: "outbox-title", run: () => setOutbox(true) },
              { name: "keys-title", run: () => setHelp(true) },
              { name: "find-print", run: () => window.print() },
            ]}
            onClose={() => setFinding(false)}
          />
        </Suspense>
      )}
      {help && (
        <Suspense fallback={null}>
          <KeyHelp onClose={() => setHelp(false)} />
        </Suspense>
      )}
      {outbox && (
        <Suspense fallback={null}>
          <Outbox box={box} onClose={() => setOutbox(false)} />
        </Suspense>
      )}
    </div>
  );
}
