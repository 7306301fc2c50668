import Button from "antd/es/button";
import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { capital, nameOf, sentence, t } from "../../app/wording";
import { Corridor } from "../../pictures/Corridor";

/** One shoulder of the day: who, how far, why it stands here, its corridor; and a way to act in place. */
export function Row({
  row,
  onPeek,
}: {
  row: Schemas["DecisionRow"];
  onPeek: (episode: string) => void;
}) {
  const { lane } = row;
  const c = row.clock;
  const from = Math.max(0, c.day - 35),
    to = from + 63;
  return (
    <div className="lane-item">
      <Link
        className="lane-row"
        to={`/e/${row.episode}/visit`}
        data-lane={lane.lane}
      >
        <span className="who">
          <b>{row.name}</b>
          <br />
          <span className="soft small">
            {capital(row.work)}, {nameOf("side", row.side)}
            {row.treated_by && (
              <>
                <br />
                {row.treated_by}
              </>
            )}
          </span>
        </span>
        <span className="weeks num">
          <b>{t("weeks-days", { weeks: c.weeks, days: c.days })}</b>{" "}
          <span className="soft small">{t("day-n", { day: c.day })}</span>
        </span>
        <span>{sentence(lane.reason)}</span>
        <span className="small">
          {lane.next_gate ? (
            <>
              {t("next-gate")}{" "}
              <b className="num">
                {lane.next_gate.met}/{lane.next_gate.total}
              </b>
              <br />
              <span className="soft">
                {nameOf("gate", lane.next_gate.gate)},{" "}
                {t("day-n", { day: lane.next_gate.opens_day })}
              </span>
            </>
          ) : lane.corridor ? (
            t("no-gate")
          ) : (
            ""
          )}
        </span>
        <span>
          {lane.corridor && (
            <Corridor
              tiny
              view={lane.corridor}
              today={c.day}
              from={from}
              to={to}
              width={186}
              height={46}
              label={nameOf("quantity", lane.corridor.quantity)}
            />
          )}
        </span>
      </Link>
      <Button
        className="peek-open"
        data-peek={row.episode}
        aria-label={`${t("peek")}: ${row.name}`}
        onClick={() => onPeek(row.episode)}
      >
        {t("peek")}
      </Button>
    </div>
  );
}
