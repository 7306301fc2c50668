import Button from "antd/es/button";
import Tooltip from "antd/es/tooltip";
import { useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { capital, nameOf, t, withUnit } from "../../app/wording";
import { Corridor } from "../../pictures/Corridor";
import { MeasureHere } from "./MeasureHere";
import type { Post } from "./post";
import { trendShort, trendText } from "./trend";

type View = Schemas["VisitView"];
type Dial = Schemas["Dial"];
/** Days shown before today, and in all. */
const BEFORE = 35;
const SHOWN = 84;

const barred = (d: Dial) => d.ceiling.ceiling.kind === "none_allowed";
const limited = (d: Dial) =>
  d.ceiling.ceiling.kind !== "free" &&
  d.ceiling.reason.rule !== "barred-without-corridor";

/**
 * Today's limits as one strip: each with whose word it is, where the range stands in its corridor and where it
 * is heading,
 * and the two or three that are due measured in place.
 */
export function RangeStrip({
  episode,
  view,
  today,
  post,
}: {
  episode: string;
  view: View;
  today: string;
  post: Post;
}) {
  const measured = (d: Dial) =>
    view.corridors.some(
      (c) => c.quantity === d.quantity && c.measurements.length > 0,
    );
  const cards = view.dials.filter(
    (d) => !barred(d) && (limited(d) || measured(d) || d.due),
  );
  const shut = view.dials.filter((d) => barred(d) && limited(d));
  const [all, setAll] = useState(false);
  // What is due, limited and measured comes first; the rest one key away.
  const first = cards.filter((d) => d.due || (limited(d) && measured(d)));
  const shown = all ? cards : (first.length > 0 ? first : cards).slice(0, 4);
  return (
    <section className="block" id="limits-strip">
      <h2>
        {t("visit-limits")}{" "}
        <span className="soft small">{t("visit-limits-lead")}</span>
        <span className="push-right row small">
          {cards.length > shown.length && (
            <Button type="text" size="small" onClick={() => setAll(true)}>
              {t("visit-all-ranges", { n: cards.length })}
            </Button>
          )}
          <Link to={`/e/${episode}/ranges`}>{t("visit-to-ranges")}</Link>{" "}
          <kbd>g m</kbd>
        </span>
      </h2>
      {cards.length === 0 && shut.length === 0 && (
        <p className="soft">
          {t("visit-no-limits")}{" "}
          <Link to={`/e/${episode}/read`}>{t("nav-read")}</Link>
        </p>
      )}
      <div className="range-strip">
        {shown.map((d) => (
          <Card
            key={d.quantity}
            dial={d}
            view={view}
            today={today}
            post={post}
          />
        ))}
      </div>
      <p className="small flush above-8">
        {shut.length > 0 && (
          <span id="barred">
            <b>{capital(t("barred"))}:</b>{" "}
            {shut.map((d) => nameOf("quantity", d.quantity)).join(" · ")}
          </span>
        )}
        {shut.length > 0 && view.precautions.length > 0 && " — "}
        {view.precautions.length > 0 && (
          <span id="precautions">
            <b>{t("visit-precautions")}</b>{" "}
            {view.precautions
              .map((p) => nameOf("precaution", p.id))
              .join(" · ")}
          </span>
        )}
      </p>
    </section>
  );
}

/** One range: its limit, its last value, its corridor, its trend; measured here where it is due. */
function Card({
  dial: d,
  view,
  today,
  post,
}: {
  dial: Dial;
  view: View;
  today: string;
  post: Post;
}) {
  const far = view.contact.ranges.includes(d.quantity);
  const [asked, setOpen] = useState(d.due);
  const open = asked && !far;
  const corridor = view.corridors.find((c) => c.quantity === d.quantity);
  const from = Math.max(0, view.clock.day - BEFORE);
  const { ceiling } = d.ceiling;
  const last = d.operated.last;
  return (
    <div className="range-card" data-quantity={d.quantity} data-due={d.due}>
      <h3>{capital(nameOf("quantity", d.quantity))}</h3>
      <p className="inline num">
        <b className="heavy">
          {ceiling.kind === "up_to"
            ? t("limit-up-to", {
                ceiling: withUnit(d.quantity, ceiling.value),
              })
            : t("ceiling-free")}
        </b>
      </p>
      {corridor && (corridor.measurements.length > 0 || limited(d)) && (
        <Corridor
          view={corridor}
          today={view.clock.day}
          from={from}
          to={from + SHOWN}
          width={320}
          height={74}
          label={nameOf("quantity", d.quantity)}
        />
      )}
      {corridor?.trend && (
        <Tooltip title={trendText(d.quantity, corridor.trend)}>
          <p className="small num flush" data-trend={d.quantity}>
            {trendShort(d.quantity, corridor.trend)}
          </p>
        </Tooltip>
      )}
      <p className="small flush num">
        {ceiling.kind === "up_to" && (
          <span className="soft">
            {capital(nameOf("whose", d.ceiling.reason.rule))} ·{" "}
          </span>
        )}
        {last
          ? `${t("visit-last")} ${withUnit(d.quantity, last.measurement.value)}, ${t("day-n", { day: last.day })}`
          : t("not-measured")}
        {d.due && <b className="due"> · {t("visit-due")}</b>}{" "}
        {far && (
          <span className="soft">
            {t(`contact-not-by-${view.contact.how}`)}
          </span>
        )}
        {!open && !far && (
          <Button
            size="small"
            type="text"
            data-measure={d.quantity}
            onClick={() => setOpen(true)}
          >
            {t("visit-measure-here")}
          </Button>
        )}
      </p>
      {open && (
        <MeasureHere
          dial={d}
          today={today}
          post={post}
          onDone={() => setOpen(false)}
        />
      )}
    </div>
  );
}
