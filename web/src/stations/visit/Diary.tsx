import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";

type Entry = Schemas["VisitPage"]["view"]["log"][number];

interface Day {
  done: number;
  out: number;
  pains: string[];
  slip: boolean;
  flare: boolean;
}
const PAINS = ["pain_before", "pain_during", "pain_next_morning"];

/** Days of the log, newest first: a later entry for the same day and thing corrects the earlier one. */
function daysOf(log: Entry[]): Map<string, Day> {
  const days = new Map<string, Day>();
  const seen = new Set<string>();
  for (const e of log) {
    const what = `${e.on} ${e.exercise ?? ""} ${e.kind === "left_out" ? "done" : e.kind}`;
    if (seen.has(what)) continue;
    seen.add(what);
    const d = days.get(e.on) ?? {
      done: 0,
      out: 0,
      pains: [],
      slip: false,
      flare: false,
    };
    if (e.kind === "done") d.done += e.sessions;
    else if (e.kind === "left_out") d.out += 1;
    else if (e.kind === "slip" || e.kind === "slip_worse") d.slip = true;
    else if (e.kind === "flare_day") d.flare = true;
    else if (e.kind === "effort")
      d.pains[3] = `${t("short-effort")} ${e.value}`;
    else d.pains[PAINS.indexOf(e.kind)] = `${t(`short-${e.kind}`)} ${e.value}`;
    days.set(e.on, d);
  }
  return days;
}

const weekday = (date: string) =>
  new Date(`${date}T12:00`).toLocaleDateString("en-GB", {
    weekday: "short",
    day: "numeric",
    month: "short",
  });

/** The last fortnight at home. */
export function Diary({ log }: { log: Entry[] }) {
  const days = daysOf(log);
  return (
    <table className="log at-top">
      <thead>
        <tr>
          <th>{t("log-day")}</th>
          <th>{t("log-sessions")}</th>
          <th>{t("log-pain")}</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        {[...days].slice(0, 14).map(([date, d]) => (
          <tr key={date}>
            <td className="num">{weekday(date)}</td>
            <td className="num">
              {d.done}
              {d.out ? `, ${d.out} ${t("log-left-out")}` : ""}
            </td>
            <td className="small">{d.pains.filter(Boolean).join(" · ")}</td>
            <td>
              {d.slip ? <b className="brick">{t("log-slip")}</b> : ""}
              {d.flare ? <span className="small">{t("log-flare")}</span> : ""}
            </td>
          </tr>
        ))}
        {days.size === 0 && (
          <tr>
            <td colSpan={4} className="soft">
              {t("log-empty")}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
