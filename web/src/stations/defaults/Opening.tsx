import Button from "antd/es/button";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import { HALF_HOUR_OPTIONS } from "../../app/times";
import { t } from "../../app/wording";

type Hours = Schemas["OpenHours"];
const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7];
/** What a day begins with when it is added: the day before's hours, or these. */
const USUAL = { from: "08:00:00", until: "17:00:00" };
/** When somebody reads what is told from home: what waits longer than the clinic was open goes to the lead. */
export function Opening({
  opening,
  lead,
  onChange,
}: {
  opening: Hours[];
  lead: boolean;
  onChange: (opening: Hours[]) => void;
}) {
  const put = (at: number, part: Partial<Hours>) =>
    onChange(opening.map((row, n) => (n === at ? { ...row, ...part } : row)));
  const add = (weekday: number) => {
    const { from, until } = opening.at(-1) ?? USUAL;
    const rows = [...opening, { weekday, from, until }];
    onChange(rows.sort((a, b) => a.weekday - b.weekday));
  };
  const time = (at: number, which: "from" | "until", row: Hours) => (
    <Choose
      id={`opening-${which}-${row.weekday}`}
      aria-label={t(`opening-${which}`, {
        day: t(`weekday-long-${row.weekday}`),
      })}
      disabled={!lead}
      value={row[which]}
      options={HALF_HOUR_OPTIONS.filter(
        ({ value }) => which === "from" || value > row.from,
      )}
      onChange={(value) => put(at, { [which]: value })}
    />
  );
  return (
    <div id="opening" className="opening">
      <span className="label">{t("opening-title")}</span>
      {WEEKDAYS.map((weekday) => {
        const rows = opening
          .map((row, at) => ({ row, at }))
          .filter(({ row }) => row.weekday === weekday);
        return (
          <div key={weekday} className="row wrap" data-weekday={weekday}>
            <span className="opening-day">{t(`weekday-long-${weekday}`)}</span>
            {rows.map(({ row, at }) => (
              <span key={at} className="row">
                {time(at, "from", row)}–{time(at, "until", row)}
              </span>
            ))}
            {rows.length === 0 && (
              <span className="soft">{t("opening-shut")}</span>
            )}
            {lead && (
              <Button
                size="small"
                onClick={() =>
                  rows.length === 0
                    ? add(weekday)
                    : onChange(opening.filter((r) => r.weekday !== weekday))
                }
              >
                {t(rows.length === 0 ? "opening-add" : "opening-remove")}
              </Button>
            )}
          </div>
        );
      })}
      <p className="soft small">{t("opening-lead")}</p>
    </div>
  );
}
