import "../app/stationWords";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useEffect } from "react";
import {
  NavLink,
  Navigate,
  Route,
  Routes,
  useLocation,
  useParams,
} from "react-router";
import { api, ApiProblem, ask } from "../app/client";
import { DraftScope } from "../app/drafts";
import { useGoPlaces } from "../app/keys";
import { pageOf } from "../app/outbox";
import { Pending, Waiting } from "../app/parts";
import { SpokenContext } from "../app/spoken";
import { ink } from "../app/theme";
import { usePrintedAs } from "../app/usePrintedAs";
import { clock, nameOf, shortDate, t } from "../app/wording";
import { queryKeys } from "../app/queryKeys";
import NoSuchPage from "./NoSuchPage";
import { useReady } from "../app/useReady";

/** Each station is fetched when it is opened. */
const Examine = lazy(() =>
  import("./Examine").then((m) => ({ default: m.Examine })),
);
const Handover = lazy(() =>
  import("./Handover").then((m) => ({ default: m.Handover })),
);
const Home = lazy(() => import("./Home").then((m) => ({ default: m.Home })));
const Program = lazy(() =>
  import("./Program").then((m) => ({ default: m.Program })),
);
const Ranges = lazy(() =>
  import("./Ranges").then((m) => ({ default: m.Ranges })),
);
const Read = lazy(() => import("./Read").then((m) => ({ default: m.Read })));
const Scores = lazy(() =>
  import("./Scores").then((m) => ({ default: m.Scores })),
);
const Shut = lazy(() => import("./Shut").then((m) => ({ default: m.Shut })));
const Story = lazy(() => import("./Story").then((m) => ({ default: m.Story })));
const Strength = lazy(() =>
  import("./Strength").then((m) => ({ default: m.Strength })),
);
const Timeline = lazy(() =>
  import("./Timeline").then((m) => ({ default: m.Timeline })),
);
const Visit = lazy(() => import("./Visit").then((m) => ({ default: m.Visit })));

const STATIONS = [
  ["visit", "v"],
  ["story", "s"],
  ["examine", "e"],
  ["read", "r"],
  ["program", "p"],
  ["home", "h"],
  ["timeline", "t"],
] as const;
/** Rooms inside a station, reached by a key of their own. */
const ROOMS = [
  ["ranges", "m"],
  ["strength", "f"],
  ["scores", "o"],
  ["handover", "w"],
] as const;

/** The state of a station, as a shape. */
function StationMark({ state }: { state: string }) {
  const common = {
    className: "mark",
    viewBox: "0 0 20 20",
    role: "img",
    "aria-label": t(`station-${state}`),
  } as const;
  if (state === "done")
    return (
      <svg {...common}>
        <circle cx="10" cy="10" r="9" fill={ink.petrol} />
        <path
          d="m5.6 10.3 3 3.1 5.6-6.3"
          stroke="var(--on)"
          strokeWidth="2.4"
          fill="none"
        />
      </svg>
    );
  if (state === "under-way")
    return (
      <svg {...common}>
        <circle
          cx="10"
          cy="10"
          r="8"
          fill={ink.paper}
          stroke={ink.petrol}
          strokeWidth="2"
        />
        <path d="M10 2a8 8 0 0 1 0 16Z" fill={ink.petrol} />
      </svg>
    );
  if (state === "due")
    return (
      <svg {...common}>
        <path
          d="M10 1 19 10 10 19 1 10Z"
          fill={ink.saffron}
          stroke={ink.text}
          strokeWidth="1.4"
        />
      </svg>
    );
  return (
    <svg {...common}>
      <circle
        cx="10"
        cy="10"
        r="8"
        fill={ink.paper}
        stroke="var(--edge)"
        strokeWidth="2"
      />
    </svg>
  );
}

export default function Patient({ today }: { today: string }) {
  const { episode = "" } = useParams();
  const { pathname } = useLocation();
  useEffect(() => {
    window.scrollTo(0, 0);
  }, [pathname]);
  const story = useQuery({
    queryKey: queryKeys.story(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const ready = useReady(story.data !== undefined);
  const name = story.data?.head.name;
  useEffect(() => {
    pageOf(name ?? "");
    return () => pageOf("");
  }, [name]);
  usePrintedAs(
    story.data &&
      [
        `${story.data.head.name}, ${nameOf("side", story.data.story.side)}`,
        clock(story.data.clock),
        shortDate(today),
      ].join(" · "),
  );
  useGoPlaces(
    [...STATIONS, ...ROOMS].map(([name, letter]) => ({
      letter,
      name: `nav-${name}`,
      to: `/e/${episode}/${name}`,
    })),
  );
  if (
    story.error instanceof ApiProblem &&
    [404, 422].includes(story.error.problem.status)
  )
    return <NoSuchPage />;
  if (
    story.error instanceof ApiProblem &&
    story.error.problem.type.endsWith(":record-shut")
  )
    return (
      <Suspense fallback={<Waiting />}>
        <Shut episode={episode} />
      </Suspense>
    );
  if (!story.data || !ready) return <Pending query={story} />;
  const { head, stations } = story.data;
  const state: Record<string, string> = {
    visit: stations.program === "empty" ? "empty" : "under-way",
    timeline: "done",
    ...stations,
  };
  return (
    <DraftScope value={episode}>
      <div className="patient">
        <aside className="path">
          <h2 className="size-21">{head.name}</h2>
          <p className="soft small flush above-4">
            {nameOf("side", story.data.story.side)},{" "}
            {story.data.story.work || t("no-work")}
          </p>
          <p className="num flush above-6 heavy">{clock(story.data.clock)}</p>
          <nav aria-label={t("nav-stations")}>
            <ol>
              {STATIONS.map(([name, key]) => (
                <li key={name}>
                  <NavLink
                    to={`/e/${episode}/${name}`}
                    className={({ isActive }) =>
                      isActive ||
                      (name === "examine" &&
                        /\/(ranges|strength|scores)$/.test(pathname))
                        ? "on"
                        : ""
                    }
                  >
                    <StationMark state={state[name] ?? "empty"} />{" "}
                    {t(`nav-${name}`)} <kbd>g {key}</kbd>
                  </NavLink>
                </li>
              ))}
            </ol>
          </nav>
        </aside>
        <div>
          <SpokenContext value={story.data.spoken}>
            <Suspense fallback={<Waiting />}>
              <Routes>
                <Route path="visit" element={<Visit episode={episode} />} />
                <Route
                  path="story"
                  element={
                    <Story episode={episode} page={story.data} today={today} />
                  }
                />
                <Route
                  path="examine"
                  element={<Examine episode={episode} today={today} />}
                />
                <Route
                  path="read"
                  element={<Read episode={episode} today={today} />}
                />
                <Route
                  path="ranges"
                  element={<Ranges episode={episode} today={today} />}
                />
                <Route
                  path="strength"
                  element={<Strength episode={episode} today={today} />}
                />
                <Route
                  path="scores"
                  element={<Scores episode={episode} today={today} />}
                />
                <Route
                  path="program"
                  element={
                    <Program
                      episode={episode}
                      who={[
                        head.name,
                        nameOf("side", story.data.story.side),
                        nameOf("pathway", story.data.story.pathway),
                      ].join(", ")}
                      today={today}
                    />
                  }
                />
                <Route
                  path="handover"
                  element={<Handover episode={episode} story={story.data} />}
                />
                <Route path="home" element={<Home episode={episode} />} />
                <Route
                  path="timeline"
                  element={<Timeline patient={head.patient} />}
                />
                <Route path="*" element={<Navigate to="visit" replace />} />
              </Routes>
            </Suspense>
          </SpokenContext>
        </div>
      </div>
    </DraftScope>
  );
}
