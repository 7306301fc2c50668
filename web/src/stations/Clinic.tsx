import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import type { ReactNode } from "react";
import { Link, Navigate, useParams } from "react-router";
import { useSeen } from "../app/useSeen";
import { t } from "../app/wording";
import { Defaults } from "./Defaults";
import { Elastics } from "./Elastics";
import { People } from "./People";
import Pathways from "./Pathways";
import { Reliability } from "./Reliability";

const ROOMS = [
  "people",
  "defaults",
  "kit",
  "elastics",
  "reliability",
  "pathways",
] as const;

/** What a clinic sets for itself, a room each: people, defaults, kit, elastics, how well its raters agree, pathways. */
export default function Clinic({
  lead,
  me,
  today,
}: {
  lead: boolean;
  /** Who is signed in. */
  me: string;
  today: string;
}) {
  const { room = "people" } = useParams();
  const at = ROOMS.find((r) => r === room);
  const place = at === "kit" ? "defaults" : (at ?? "people");
  const seen = useSeen(place);
  if (!at) return <Navigate to="/clinic" replace />;
  const rooms: [string, ReactNode][] = [
    ["people", <People today={today} me={me} />],
    ["defaults", <Defaults at={at} lead={lead} />],
    ["elastics", <Elastics lead={lead} today={today} />],
    ["reliability", <Reliability lead={lead} />],
    ["pathways", <Pathways lead={lead} />],
  ];
  return (
    <>
      <nav className="chips room-chips" aria-label={t("nav-clinic")}>
        {ROOMS.map((r) => (
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
            {inside}
          </div>
        ))}
    </>
  );
}
