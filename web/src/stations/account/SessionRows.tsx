import Button from "antd/es/button";
import type { Schemas } from "../../app/client";
import { moment, t } from "../../app/wording";

type Row = Schemas["SessionRow"];

/** What a browser says it runs on: the first words in its brackets, else all that it says. */
export function machineOf(agent: string): string {
  const [, inside = agent] = /\(([^)]*)\)/.exec(agent) ?? [];
  return inside.split(";").slice(0, 2).join(",").trim();
}

/** Where somebody is signed in, each place with its end. */
export function SessionRows({
  rows,
  busy,
  onEnd,
}: {
  rows: Row[];
  busy: boolean;
  onEnd: (id: string) => void;
}) {
  return (
    <>
      {rows.map((s) => (
        <div key={s.id} className="flag-row" data-session={s.id}>
          <span>
            <b title={s.agent}>{machineOf(s.agent) || t("session-unnamed")}</b>{" "}
            {s.this && <span className="soft small">{t("session-this")}</span>}
            <span className="drawn small soft num">
              {t("session-when", {
                since: moment(s.since),
                seen: moment(s.seen),
                address: s.address || "–",
              })}
            </span>
          </span>
          {!s.this && (
            <Button size="small" disabled={busy} onClick={() => onEnd(s.id)}>
              {t("session-end")}
            </Button>
          )}
        </div>
      ))}
    </>
  );
}
