import Button from "antd/es/button";
import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";

/** Before a day is called a bad one the stop list is asked: trouble may look like a flare. */
export function FlareAsks({
  episode,
  flags,
  onNone,
}: {
  episode: string;
  flags: Schemas["FlagView"][];
  onNone: () => void;
}) {
  return (
    <div className="flag-line small" id="flare-asks">
      <p className="flush">
        <b>{t("flare-stop-list")}</b>
      </p>
      <ul className="flag-list">
        {flags
          .filter((f) => f.asked)
          .map((f) => (
            <li key={f.flag}>{nameOf("flag", f.flag)}</li>
          ))}
      </ul>
      <p className="row flush">
        <Button size="small" id="flare-none" onClick={onNone}>
          {t("flare-none")}
        </Button>
        <Link to={`/e/${episode}/story`}>{t("visit-flags-some")}</Link>
      </p>
    </div>
  );
}
