import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { Notice } from "../../app/Notice";
import { moment, t } from "../../app/wording";

/** Who wrote from home and was not read yet: before the lanes, since words wait for a person. */
export function Unread({ list }: { list: Schemas["Unread"][] }) {
  const late = list.some((one) => one.late);
  return (
    <Notice id="unread" kind={late ? "stop" : "decide"}>
      <b>{t("unread-title")}</b>{" "}
      {list.map((one) => (
        <span key={one.episode} className="unread" data-late={one.late}>
          <Link to={`/e/${one.episode}/visit`}>{one.name}</Link>{" "}
          <span className="soft num">
            {t("unread-since", { count: one.count, since: moment(one.since) })}
            {one.of_another ? `, ${t("unread-of-another")}` : ""}
          </span>
        </span>
      ))}
    </Notice>
  );
}
