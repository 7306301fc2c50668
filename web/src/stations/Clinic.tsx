import "../app/stationWords";
import { Link, Navigate, useParams } from "react-router";
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
  if (!at) return <Navigate to="/clinic" replace />;
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
      {/* Every room stays as it was left: what was typed and not kept yet is not lost by looking into another. */}
      <div hidden={at !== "reliability"}>
        <Reliability lead={lead} />
      </div>
      <div hidden={at !== "defaults" && at !== "kit"}>
        <Defaults at={at} lead={lead} />
      </div>
      <div hidden={at !== "elastics"}>
        <Elastics lead={lead} today={today} />
      </div>
      <div hidden={at !== "pathways"}>
        <Pathways lead={lead} />
      </div>
      <div hidden={at !== "people"}>
        <People today={today} me={me} />
      </div>
    </>
  );
}
