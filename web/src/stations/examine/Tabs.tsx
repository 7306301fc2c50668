import { Link } from "react-router";
import { t } from "../../app/wording";

const ROOMS = ["tests", "ranges", "strength", "scores"] as const;

/** The four rooms of the examination. */
export function ExamineTabs({
  episode,
  at,
}: {
  episode: string;
  at: (typeof ROOMS)[number];
}) {
  return (
    <span className="right" role="group" aria-label={t("nav-examine")}>
      {ROOMS.map((room) => (
        <Link
          key={room}
          className="chip plainchip unlined"
          aria-current={room === at ? "page" : undefined}
          to={`/e/${episode}/${room === "tests" ? "examine" : room}`}
        >
          {t(`examine-${room}`)}
        </Link>
      ))}
    </span>
  );
}
