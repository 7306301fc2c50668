import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import { useState } from "react";
import { Link } from "react-router";
import { newId, type Schemas } from "../../app/client";
import { given, inWords, NO_REASON, type Reason, Why } from "../../app/Why";
import { nameOf, sentence, t } from "../../app/wording";
import { StatusMark } from "../../pictures/Marks";
import type { Post } from "./post";
import { LeftBefore } from "../../app/LeftBefore";
import { useKeptOfDay } from "../../app/useKeptOfDay";

const NOT_OVERRIDDEN: Record<string, Reason> = {};

type Criterion = Schemas["CriterionView"];

interface Overrides {
  /** Criteria that are overridden, each with its own reason. */
  chosen: Record<string, Reason>;
  open: boolean;
  toggle: (id: string, on: boolean) => void;
  say: (id: string, reason: Reason) => void;
}

/** The next gate: what it asks, what stands behind each answer, and passing it. */
export function Gate({
  episode,
  gate,
  far,
  today,
  post,
}: {
  /** Today's contact: what it leaves out of reach is marked. */
  far: Schemas["ContactView"];
  episode: string;
  gate: Schemas["GateView"];
  today: string;
  post: Post;
}) {
  const kept = useKeptOfDay(`gate-${gate.gate}`, today, NOT_OVERRIDDEN);
  const { value: over, set: setOver } = kept;
  const [id] = useState(newId);
  const unmet = gate.criteria.filter((c) => c.status !== "met");
  const met = gate.criteria.filter((c) => c.status === "met");
  // What is still open is what the visit is about; what is met stands one key away, or alone.
  const [asked, setShown] = useState(false);
  const shown = asked || unmet.length === 0;
  const ready =
    gate.time_reached &&
    unmet.every((c) => given(over[c.id] ?? NO_REASON) && c.overridable);
  const overrides: Overrides = {
    chosen: over,
    open: gate.time_reached,
    toggle: (criterion, on) =>
      setOver((now) =>
        on
          ? { ...now, [criterion]: NO_REASON }
          : Object.fromEntries(
              Object.entries(now).filter(([id]) => id !== criterion),
            ),
      ),
    say: (criterion, reason) =>
      setOver((now) => ({ ...now, [criterion]: reason })),
  };
  const pass = () =>
    void post(
      {
        kind: "gate_pass",
        gate: gate.gate,
        body: {
          id,
          overridden: Object.fromEntries(
            Object.entries(over)
              .filter(([c]) => unmet.some((open) => open.id === c))
              .map(([c, reason]) => [c, inWords(reason)]),
          ),
        },
        says: nameOf("gate", gate.gate),
      },
      "gate",
    ).then((ok) => ok && setOver(() => NOT_OVERRIDDEN));
  return (
    <section className="block" id="gate">
      <h2>
        {t("gate-title", { gate: gate.gate })}{" "}
        <span className="num">
          {gate.met}/{gate.total}
        </span>
        <Link className="small push-right" to={`/e/${episode}/program`}>
          {t("gate-to-program")}
        </Link>
      </h2>
      <Criteria
        list={shown ? [...unmet, ...met] : unmet}
        overrides={overrides}
        far={far}
        today={today}
        post={post}
      />
      {met.length > 0 && unmet.length > 0 && (
        <Button
          type="text"
          size="small"
          id="gate-met"
          aria-expanded={shown}
          onClick={() => setShown(!shown)}
        >
          <StatusMark status="met" />{" "}
          {t(shown ? "gate-met-fold" : "gate-met-show", { count: met.length })}
        </Button>
      )}
      <LeftBefore
        kept={kept}
        says={(left) => overridesSay(left, gate.criteria)}
      />
      <p className="above-10">
        {gate.time_reached ? (
          <Button
            type="primary"
            id="pass-gate"
            disabled={!ready}
            onClick={pass}
          >
            {Object.keys(over).length > 0
              ? t("gate-pass-override")
              : t("gate-pass")}
          </Button>
        ) : (
          <span className="soft">
            {t("gate-opens", { day: gate.opens_day })}
          </span>
        )}{" "}
        {gate.typical && !gate.due && (
          <span className="soft">
            {t("gate-typical", { day: gate.opens_day })}
          </span>
        )}
      </p>
    </section>
  );
}

/** Which criteria were overridden, and why, in one line. */
function overridesSay(over: Record<string, Reason>, criteria: Criterion[]) {
  return Object.entries(over)
    .map(([id, reason]) => {
      const asked = criteria.find((c) => c.id === id);
      const why = given(reason) ? ` (${inWords(reason)})` : "";
      return `${asked ? sentence(asked.asks) : id}${why}`;
    })
    .join("; ");
}

/** Criteria, and the parts of those that have some. */
function Criteria(props: {
  list: Criterion[];
  overrides?: Overrides;
  far: Schemas["ContactView"];
  today: string;
  post: Post;
}) {
  const { list, overrides, far, today, post } = props;
  const away = (c: Criterion) => far.criteria.includes(c.id);
  return (
    <table className="criteria">
      <tbody>
        {list.map((c) => (
          <tr key={c.id} data-criterion={c.id} data-status={c.status}>
            <td>
              <StatusMark status={c.status} />
            </td>
            <td>
              {sentence(c.asks)}
              <span className="soft small evidence">
                {t(`status-${c.status}`)}
                {c.datum ? `: ${lower(sentence(c.datum))}` : ""}
                {away(c) && (
                  <b className="due"> {t(`contact-not-by-${far.how}`)}</b>
                )}
              </span>
              {overrides && c.id in overrides.chosen && (
                <Why
                  id={`override-reason-${c.id}`}
                  of="gate"
                  label={`${t("override-reason")}: ${sentence(c.asks)}`}
                  value={overrides.chosen[c.id] ?? NO_REASON}
                  onChange={(reason) => overrides.say(c.id, reason)}
                />
              )}
              {c.parts.length > 0 && (
                <Criteria list={c.parts} far={far} today={today} post={post} />
              )}
            </td>
            <td className="to-right nowrap">
              <Attest criterion={c} today={today} post={post} />
              {overrides?.open &&
                c.status !== "met" &&
                c.overridable &&
                // Nobody knows it and nobody can find it out today: that is no ground for going on.
                !(away(c) && c.status !== "not_met") && (
                  <span className="small drawn above-4">
                    <Checkbox
                      checked={c.id in overrides.chosen}
                      onChange={(e) => overrides.toggle(c.id, e.target.checked)}
                    >
                      {t("override")}
                    </Checkbox>
                  </span>
                )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const lower = (text: string) => text.replace(/^./, (l) => l.toLowerCase());

/** What a clinician signs to be so, or not to be so. */
function Attest({
  criterion: c,
  today,
  post,
}: {
  criterion: Criterion;
  today: string;
  post: Post;
}) {
  if (c.asks.rule !== "asks-attested" || c.status === "met") return null;
  const code = String(c.asks.args["code"]);
  const sign = (holds: boolean) =>
    void post(
      {
        kind: "attestation",
        body: { id: newId(), code, holds, on: today },
        says: `${nameOf("code", code)}: ${t(holds ? "yes" : "no")}`,
      },
      `attest-${code}`,
    );
  return (
    <>
      <Button size="small" onClick={() => sign(true)}>
        {t("attest")}
      </Button>
      {c.status !== "not_met" && (
        <>
          {" "}
          <Button size="small" onClick={() => sign(false)}>
            {t("attest-not")}
          </Button>
        </>
      )}
    </>
  );
}
