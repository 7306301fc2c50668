import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { attr, nameOf, sentence, t, withUnit } from "../../app/wording";
import { Notice } from "../../app/Notice";

type View = Schemas["VisitView"];

/** What comes before everything else: open flags, what the facts call for, watches, limits that wait. */
export function Notices({ episode, view }: { episode: string; view: View }) {
  const open = view.flags.filter((f) =>
    ["raised", "queried", "acted_on"].includes(f.state),
  );
  // A breach stands below with its way out.
  const calls = view.calls.filter((c) => c.rule !== "measurement-over-ceiling");
  const speaking = view.watches.filter((w) => w.speaks && w.act !== "stop");
  return (
    <>
      {open.map((f) => (
        <Notice key={f.flag} role="alert" kind="stop">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}.
          </b>{" "}
          {f.state === "acted_on" ? `${t("flag-state-acted-on")}. ` : ""}
          {f.overdue ? `${t("flag-overdue")} ` : ""}
          {f.reason ? sentence(f.reason) : ""}{" "}
          {f.causes
            .filter((c) => c.quote && !c.soft && c.state === "open")
            .map((c) => (
              <q key={c.key}>{c.quote}</q>
            ))}{" "}
          <Link to={`/e/${episode}/story`}>{t("flag-go")}</Link>
        </Notice>
      ))}
      {calls.map((c) => (
        <Notice key={sentence(c)} kind="stop">
          <b>{sentence(c)}</b>
        </Notice>
      ))}
      {speaking.map((w) => (
        <Notice key={w.watch} kind="decide" data={{ watch: w.watch }}>
          <b>
            {nameOf("act", w.act)}
            {w.act === "tell" ? ` ${nameOf("tell", w.tell)}` : ""}
            {w.within_days != null
              ? `, ${t("within-days", { days: w.within_days })}`
              : ""}
            : {nameOf("watch", w.watch)}.
          </b>{" "}
          {attr(`watch-${w.watch}`, "do")}
        </Notice>
      ))}
      {view.limits_to_confirm.map((l) => (
        <Notice key={l.id} kind="decide">
          {t("limit-waits", {
            quantity: l.quantity,
            ceiling: withUnit(l.quantity, l.ceiling),
            day: l.until_day ?? l.ask_again_day ?? 0,
          })}{" "}
          <Link to={`/e/${episode}/story`}>{t("limit-confirm-end")}</Link>
        </Notice>
      ))}
    </>
  );
}
