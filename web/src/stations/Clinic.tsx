import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import { lazy, type ReactNode, Suspense } from "react";
import { Link, Navigate, useParams } from "react-router";
import { Waiting } from "../app/parts";
import { useSeen } from "../app/useSeen";
import { t } from "../app/wording";

/** Each room is fetched when it is opened. */
const Defaults = lazy(() =>
  import("./Defaults").then((m) => ({ default: m.Defaults })),
);
const Elastics = lazy(() =>
  import("./Elastics").then((m) => ({ default: m.Elastics })),
);
const Pathways = lazy(() => import("./Pathways"));
const People = lazy(() =>
  import("./People").then((m) => ({ default: m.People })),
);
const Reliability = lazy(() =>
  import("./Reliability").then((m) => ({ default: m.Reliability })),
);

const Trail = lazy(() => import("./Trail").then((m) => ({ default: m.Trail })));

const ROOMS = [
  "people",
  "defaults",
  "kit",
  "elastics",
  "reliability",
  "pathways",
  "trail",
] as const;

/** What a clinic sets for itself, a room each: people, defaults, kit, elastics, how well its raters agree, pathways. */
export default function Clinic({
  lead,
  audits,
  me,
  today,
}: {
  lead: boolean;
  /** Whether they read who looked at whose record. */
  audits: boolean;
  /** Who is signed in. */
  me: string;
  today: string;
}) {
  const { room = "people" } = useParams();
  const at = ROOMS.find((r) => r === room);
  const place = at === "kit" ? "defaults" : (at ?? "people");
  const seen = useSeen(place);
  const open = ROOMS.filter((r) => r !== "trail" || audits);
  if (!at || !open.includes(at)) return <Navigate to="/clinic" replace />;
  const rooms: [string, ReactNode][] = [
    ["people", <People today={today} me={me} lead={lead} />],
    ["defaults", <Defaults at={at} lead={lead} />],
    ["elastics", <Elastics lead={lead} today={today} />],
    ["reliability", <Reliability lead={lead} />],
    ["pathways", <Pathways lead={lead} />],
    ["trail", <Trail />],
  ];
  return (
    <>
      <nav className="chips room-chips" aria-label={t("nav-clinic")}>
        {open.map((r) => (
          <Link
            key={r}
            className="chip plainchip unlined"

            aria-current={r === at ? "page" : undefined}
            to={r === "people" ? "/clinic" : `/clinic/${r}`}
          >
            {t(`clinic-${r}`)}
          </Link>
        ))}
      </nav>
      {/* A room that was looked into stays as it was left. */}
      {rooms
        .filter(([name]) => seen.includes(name))
        .map(([name, inside]) => (
          <div key={name} hidden={name !== place}>
            <Suspense fallback={<Waiting />}>{inside}</Suspense>
          </div>
        ))}
    </>
  );
}
