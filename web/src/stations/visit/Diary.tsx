import Button from "antd/es/button";
import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";
import type { Post } from "./post";

type Entry = Schemas["VisitPage"]["view"]["log"][number];

interface Day {
  /** Exercises that were done, and how often in all. */
  done: number;
  times: number;
  out: number;
  pains: string[];
  /** The newest slip and the newest bad day, by id: each is taken back with one key. */
  slip: string;
  flare: string;
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
      times: 0,
      out: 0,
      pains: [],
      slip: "",
      flare: "",
    };
    if (e.kind === "done") {
      d.done += e.sessions > 0 ? 1 : 0;
      d.times += e.sessions;
    } else if (e.kind === "left_out") d.out += 1;
    else if (e.kind === "slip" || e.kind === "slip_worse") d.slip ||= e.id;
    else if (e.kind === "flare_day") d.flare ||= e.id;
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

/** The last days at home. */
export function Diary({
  log,
  span,
  post,
}: {
  log: Entry[];
  /** How many days the log shows. */
  span: number;
  post: Post;
}) {
  const days = daysOf(log);
  const takeBack = (entry: string, what: string) =>
    void post(
      {
        kind: "withdrawal",
        body: { entry, kind: "log", reason: t("tapped-by-mistake") },
        says: `${t("take-back")}: ${what}`,
      },
      entry,
    );
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
              {t("log-done", { exercises: d.done, times: d.times })}
              {d.out ? `, ${d.out} ${t("log-left-out")}` : ""}
            </td>
            <td className="small">{d.pains.filter(Boolean).join(" · ")}</td>
            <td>
              {d.slip && (
                <>
                  <b className="brick">{t("log-slip")}</b>{" "}
                  <Button
                    size="small"
                    data-back="slip"
                    onClick={() => takeBack(d.slip, t("log-slip"))}
                  >
                    {t("take-back")}
                  </Button>
                </>
              )}
              {d.flare && (
                <>
                  <span className="small">{t("log-flare")}</span>{" "}
                  <Button
                    size="small"
                    data-back="flare"
                    onClick={() => takeBack(d.flare, t("log-flare"))}
                  >
                    {t("take-back")}
                  </Button>
                </>
              )}
            </td>
          </tr>
        ))}
        {days.size === 0 && (
          <tr>
            <td colSpan={4} className="soft">
              {t("log-empty", { days: span })}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
