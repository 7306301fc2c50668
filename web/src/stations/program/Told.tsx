import type { Schemas } from "../../app/client";
import { nameOf, sentence, t } from "../../app/wording";

const low = (text: string) => text.replace(/^./, (x) => x.toLowerCase());
const days = (pair: (number | null | undefined)[]) =>
  pair[0] === pair[1] || pair[0] == null || pair[1] == null
    ? `${pair[1] ?? pair[0] ?? ""}`
    : `${pair[0]} → ${pair[1]}`;

/** What a proposal is made of: what came first, what it changes, what has to wait. */
export function Told({ proposal }: { proposal: Schemas["ProposalPage"] }) {
  const { first, later, difference, gap } = proposal;
  const phases = [...new Set(later.map((l) => l.phase))];
  return (
    <div className="told">
      {first.length > 0 && (
        <section className="block" id="first">
          <h2>{t("program-first")}</h2>
          <ul className="small plainlist">
            {first.map((f) => (
              <li key={f.ladder + f.measure}>
                <b>{nameOf("ladder", f.ladder)}</b>:{" "}
                {f.reason.rule.startsWith("need-")
                  ? low(sentence(f.reason))
                  : `${nameOf("measure", f.measure)}, ${low(sentence(f.reason))}`}
              </li>
            ))}
          </ul>
        </section>
      )}
      {difference.length > 0 && (
        <section className="block" id="difference">
          <h2>
            {t("program-difference")}{" "}
            <span className="soft small">{t("program-difference-lead")}</span>
          </h2>
          <ul className="small plainlist changes">
            {difference.map((d) => (
              <li key={d.exercise} className={`c-${d.change}`}>
                <b>{t(`change-${d.change}`)}</b>{" "}
                {nameOf("exercise", d.exercise)}{" "}
                <span className="soft num">
                  {t("day-range", {
                    from: days(d.from_day),
                    to: days(d.to_day),
                  })}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {later.length > 0 && (
        <section className="block" id="later">
          <h2>
            {t("program-later")}{" "}
            <span className="soft small">
              {gap > 0
                ? t("program-gap", { percent: Math.round(gap * 1000) / 10 })
                : t("program-exact")}
            </span>
          </h2>
          {phases.map((phase) => (
            <details key={phase} className="small">
              <summary>
                {nameOf("phase", phase)}{" "}
                <span className="soft num">
                  {later.filter((l) => l.phase === phase).length}
                </span>
              </summary>
              <ul className="plainlist">
                {later
                  .filter((l) => l.phase === phase)
                  .map((l) => (
                    <li key={l.ladder}>
                      {nameOf("ladder", l.ladder)}:{" "}
                      <span className="soft">{low(sentence(l.reason))}</span>
                    </li>
                  ))}
              </ul>
            </details>
          ))}
        </section>
      )}
    </div>
  );
}

/** Work of a week by purpose and by muscle group, for each phase that is still to come. */
export function Volumes({ view }: { view: Schemas["PlanChart"] }) {
  const rows = (view.volumes ?? []).filter((v) => v.volume.session_minutes > 0);
  if (rows.length === 0) return null;
  const groups = [
    ...new Set(rows.flatMap((r) => Object.keys(r.volume.by_group))),
  ];
  const most = Math.max(
    1,
    ...rows.flatMap((r) => Object.values(r.volume.by_group)),
  );
  return (
    <section className="block" id="volumes">
      <h2>
        {t("volumes-title")}{" "}
        <span className="soft small">{t("volumes-lead")}</span>
      </h2>
      <table
        className="volumes"
        // It scrolls inside itself where it is narrow, also by keyboard.
        tabIndex={0}
        aria-label={t("volumes-title")}
      >
        <thead>
          <tr>
            <th>{t("volumes-phase")}</th>
            <th className="num">{t("volumes-session")}</th>
            <th className="num">{t("volumes-day")}</th>
            {groups.map((g) => (
              <th key={g}>{nameOf("group", g)}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => {
            const phase = view.phases.find((p) => p.number === r.phase);
            return (
              <tr key={r.phase}>
                <td>
                  {phase ? nameOf("phase", phase.id) : r.phase}
                  <div className="soft small num">
                    {Object.entries(r.volume.by_purpose)
                      .map(
                        ([p, n]) => `${nameOf("purpose", p)} ${Math.round(n)}`,
                      )
                      .join(" · ")}
                  </div>
                  {r.volume.warnings.map((w) => (
                    <div key={w.rule} className="warn small">
                      {sentence(w)}
                    </div>
                  ))}
                </td>
                <td className="num">
                  {Math.round(r.volume.session_minutes)} min
                </td>
                <td className="num">{Math.round(r.volume.day_minutes)} min</td>
                {groups.map((g) => {
                  const n = r.volume.by_group[g] ?? 0;
                  return (
                    <td key={g} className="num">
                      <svg
                        className="bar"
                        width={(n / most) * 62}
                        aria-hidden="true"
                      />
                      {n > 0 ? Math.round(n) : "–"}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** Milestones and gates by week, for the record. */
export function Milestones({ view }: { view: Schemas["PlanChart"] }) {
  const rows = [
    ...view.milestones.map((m) => ({
      day: m.day,
      what: nameOf("milestone", m.id),
      kind: "milestone",
      state: m.reached == null ? "" : m.reached ? t("reached") : t("not-yet"),
    })),
    ...view.gates.map((g) => ({
      day: g.day,
      what: t("gate-title", { gate: g.view.gate }),
      kind: "gate",
      state: g.passed ? t("chart-open") : `${g.view.met}/${g.view.total}`,
    })),
    ...(view.sling
      ? [
          {
            day: view.sling.nights_until,
            what: t("milestone-sling-off"),
            kind: "sling",
            state: "",
          },
        ]
      : []),
  ].sort((a, b) => a.day - b.day || a.kind.localeCompare(b.kind));
  return (
    <section className="block" id="milestones">
      <h2>
        {t("milestones")}{" "}
        <span className="soft small">
          {view.clock === "none"
            ? t("milestones-typical")
            : t("milestones-lead")}
        </span>
      </h2>
      <table className="milestones">
        <tbody>
          {rows.map((r, i) => (
            <tr key={r.what + r.day} className={r.kind}>
              <td className="num">
                {rows[i - 1]?.day === r.day
                  ? ""
                  : t("week-day", { week: Math.floor(r.day / 7), day: r.day })}
              </td>
              <td>
                {r.kind === "gate" && (
                  <span className="door" aria-hidden="true" />
                )}
                {r.what}
              </td>
              <td className="num">{r.state}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
