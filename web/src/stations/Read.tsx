import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { send } from "../app/queue";
import { capital, clock, nameOf, sentence, shortDate, t } from "../app/wording";
import { Beam, BeamScale, BeamSteps, percent } from "../pictures/Beam";
import { answerText } from "./Examine";

type Page = Schemas["ReadingPage"];
type View = Schemas["ReadView"];
type OnNote = (fact: Schemas["ExamFact"]) => Promise<boolean>;
const BEAM = 356;
const VOTES = [
  ["worst_pain", 10],
  ["night", 2],
  ["end_range", 2],
  ["disability", 2],
  ["ache", 2],
] as const;

export function Read({ episode, today }: { episode: string; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: ["reading", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const cards = useQuery({
    queryKey: ["tests"],
    queryFn: () => ask(api.GET("/api/tests")),
    staleTime: Infinity,
  });
  const [open, setOpen] = useState<string>();
  const [error, setError] = useState<unknown>();
  if (!page.data) return <Pending query={page} />;
  const { view, story } = page.data;
  const note = async (fact: Schemas["ExamFact"]): Promise<boolean> => {
    setError(undefined);
    try {
      const answer = (await send(`/api/episodes/${episode}/exam-notes`, {
        id: newId(),
        on: today,
        ...fact,
      })) as Page | undefined;
      if (answer) queries.setQueryData(["reading", episode], answer);
      for (const key of ["story", "day-list", "visit"])
        void queries.invalidateQueries({ queryKey: [key] });
      return true;
    } catch (failure) {
      setError(failure);
      return false;
    }
  };
  const unit = (test: string) => cards.data?.find((c) => c.id === test)?.unit;
  const unused = [...view.findings, ...view.other_findings].filter(
    (w) => w.unused,
  );
  const rows = [...view.hypotheses].sort(
    (a, b) =>
      Number(b.steps.length > 0) - Number(a.steps.length > 0) ||
      b.probability - a.probability,
  );
  // A condition whose criterion is there stands above the beams: it comes first in thought as well.
  const first = view.conditions.some(
    (c) => c.status === "met" || c.status === "range_only",
  );
  return (
    <div id="read">
      <div className="page-head">
        <h1>{t(view.operated ? "read-title-operated" : "read-title")}</h1>
        <span className="soft num">{clock(page.data.clock)}</span>
        <span className="right soft small w-520">{t("read-caution")}</span>
      </div>
      <ProblemNote error={error} />
      {view.flags.map((f) => (
        <div key={f.flag} className="notice stop" role="alert">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}
          </b>
          {f.reason && <p>{sentence(f.reason)}</p>}
          <Link to={`/e/${episode}/story`}>{t("read-flag-act")}</Link>
        </div>
      ))}
      <div className="read">
        <div>
          {first && <Criteria view={view} onNote={note} />}
          {view.operated ? (
            <State view={view} />
          ) : (
            <section className="block" id="beams">
              <h2>
                {t("read-beams")}{" "}
                <span className="soft small">{t("read-scale")}</span>
              </h2>
              <div className="beam-row head">
                <span />
                <BeamScale width={BEAM} />
                <span />
              </div>
              {rows.map((h) => (
                <div
                  key={h.hypothesis}
                  className={`beam-block${open === h.hypothesis ? " open" : ""}`}
                  data-hypothesis={h.hypothesis}
                  data-word={h.word}
                >
                  <button
                    className="beam-row"
                    aria-expanded={open === h.hypothesis}
                    onClick={() =>
                      setOpen(open === h.hypothesis ? undefined : h.hypothesis)
                    }
                  >
                    <span className="name">
                      {nameOf("hypothesis", h.hypothesis)}
                    </span>
                    <Beam
                      view={h}
                      width={BEAM}
                      label={`${nameOf("hypothesis", h.hypothesis)}: ${percent(h.probability)}, ${nameOf("word", h.word)}`}
                    />
                    <span className="num">
                      <b>{percent(h.probability)}</b>{" "}
                      <span className="soft">{nameOf("word", h.word)}</span>
                    </span>
                  </button>
                  {open === h.hypothesis && (
                    <div className="beam-open">
                      <ul className="plainlist">
                        {[...h.why, ...h.conflicts].map((r) => (
                          <li key={sentence(r)}>{sentence(r)}</li>
                        ))}
                      </ul>
                      <BeamSteps view={h} width={250} />
                      <Sources view={h} />
                      <Own
                        hypothesis={h.hypothesis}
                        probability={h.pre.probability}
                        onNote={note}
                      />
                    </div>
                  )}
                </div>
              ))}
              <p className="soft small">{t("read-legend")}</p>
            </section>
          )}
          {!first && !view.operated && <Criteria view={view} onNote={note} />}
          {view.changes.length > 0 && (
            <section className="block" id="changes">
              <h2>
                {t("read-changes")}{" "}
                <span className="soft small">{t("read-changes-lead")}</span>
              </h2>
              <table className="criteria">
                <tbody>
                  {view.changes.map((c) => (
                    <tr key={c.quantity} data-word={c.word}>
                      <td className="w-auto">
                        {capital(nameOf("quantity", c.quantity))}
                      </td>
                      <td className="num w-150">
                        {c.before}° → <b>{c.now}°</b>
                      </td>
                      <td className="num soft small w-150">
                        {t("read-detectable", {
                          detectable: Math.round(c.detectable),
                        })}
                        {c.own_error ? ` ${t("read-own-error")}` : ""}
                      </td>
                      <td className="small">
                        {c.worse ? `${t("read-worse")}, ` : ""}
                        {nameOf("change", c.word)}
                        {c.act && (
                          <>
                            <br />
                            <b className="bad">{sentence(c.act)}</b>
                          </>
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
          <Compare episode={episode} />
          <section className="block" id="impairments">
            <h2>
              {t("read-impairments")}{" "}
              <span className="soft small">{t("read-impairments-lead")}</span>
            </h2>
            {view.impairments.length === 0 && (
              <p className="soft">{t("read-no-impairment")}</p>
            )}
            <table className="criteria">
              <tbody>
                {view.impairments.slice(0, 8).map((i) => (
                  <tr key={i.measure} className={i.real ? "" : "soft"}>
                    <td className="w-auto">
                      {capital(nameOf("measure", i.measure))}
                    </td>
                    <td className="num w-128 to-right">
                      <b>{i.deficit.toFixed(0)}</b> ± {i.error.toFixed(0)}
                      {i.unit === "level"
                        ? ""
                        : i.unit === "deg"
                          ? "°"
                          : ` ${nameOf("unit", i.unit)}`}
                    </td>
                    <td className="w-170">
                      <svg width="150" height="14" aria-hidden="true">
                        <rect width="150" height="14" fill="var(--sunk)" />
                        <rect
                          width={Math.min(150, i.percent * 1.5)}
                          height="14"
                          fill={i.real ? "var(--petrol)" : "var(--edge)"}
                        />
                      </svg>
                    </td>
                    <td className="small">
                      {i.real
                        ? `${i.percent.toFixed(0)} % ${t("less-than")} ${nameOf("against", i.against)}`
                        : t("within-error")}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        </div>
        <aside>
          <section className="block" id="irritability">
            <h2>
              {t("read-irritability")}{" "}
              <b className={`level ${view.irritability.level}`}>
                {view.irritability.undetermined
                  ? t("undetermined")
                  : nameOf("irritability", view.irritability.level)}
              </b>
            </h2>
            <p className="small soft">{sentence(view.irritability.rule)}</p>
            {view.irritability.votes.map((v) => {
              const vote = VOTES.find(([name]) => name === v.question);
              return (
                <div className="vote" key={v.question} data-vote={v.question}>
                  <span>{nameOf("vote", v.question)}</span>
                  {vote?.[0] === "worst_pain" && (
                    <input
                      className="native num w-62"
                      inputMode="numeric"
                      aria-label={nameOf("vote", v.question)}
                      placeholder="0–10"

                      defaultValue={lastVote(page.data, "worst_pain")}
                      onKeyDown={(e) => {
                        if (e.key === "Enter" && e.currentTarget.value !== "")
                          void note({
                            kind: "irritability",
                            question: "worst_pain",
                            value: Number(e.currentTarget.value),
                          });
                      }}
                    />
                  )}
                  {vote && vote[0] !== "worst_pain" && (
                    <span
                      className="three"
                      role="group"
                      aria-label={nameOf("vote", v.question)}
                    >
                      {[0, 1, 2].map((n) => (
                        <button
                          key={n}
                          aria-pressed={levelNumber(v.level) === n}
                          onClick={() =>
                            void note({
                              kind: "irritability",
                              question: vote[0],
                              value: n,
                            })
                          }
                        >
                          {t(`vote-${v.question.replace("_", "-")}-${n}`)}
                        </button>
                      ))}
                    </span>
                  )}
                  {!vote && (
                    <span className="small soft">
                      {v.level ? `${nameOf("irritability", v.level)}: ` : ""}
                      {v.reason ? sentence(v.reason) : ""}
                    </span>
                  )}
                </div>
              );
            })}
          </section>
          {!view.operated && view.telling.length > 0 && (
            <section className="block" id="next">
              <h2>{t("read-next")}</h2>
              {view.telling.map((i) => (
                <p key={i.test} className="flush below-6">
                  <Link to={`/e/${episode}/examine`}>
                    {nameOf("test", i.test)}
                  </Link>{" "}
                  <span className="soft small num">
                    {t("read-bits", {
                      bits: i.gain_bits.toFixed(2),
                      minutes: i.minutes,
                    })}
                  </span>
                  <br />
                  <span className="soft small">
                    {i.about
                      .slice(0, 2)
                      .map((h) => nameOf("hypothesis", h))
                      .join(", ")}
                  </span>
                </p>
              ))}
            </section>
          )}
          {(view.worked_out.length > 0 || story.complaint === "slipping") && (
            <section className="block" id="worked-out">
              <h2>{t("read-worked-out")}</h2>
              {view.worked_out.map((w) => (
                <p key={w.score} className="small">
                  <b>{nameOf("score", w.score)}</b> {sentence(w.reason)}{" "}
                  <span className="soft">
                    {t("read-source", { source: w.source })}
                  </span>
                </p>
              ))}
              {story.complaint === "slipping" &&
                (
                  [
                    "competition",
                    "contact_or_overhead",
                    "head_notch",
                    "rim_loss",
                  ] as const
                ).map((item) => {
                  const last = [...page.data.notes]
                    .reverse()
                    .find((n) => n.kind === "instability" && n.item === item);
                  const now =
                    last?.kind === "instability" ? last.present : undefined;
                  return (
                    <div className="flag-row" key={item} data-item={item}>
                      <span className="small">{nameOf("severity", item)}</span>
                      <span className="answers">
                        {[false, true].map((present) => (
                          <button
                            key={String(present)}
                            className="yn"
                            aria-pressed={now === present}
                            onClick={() =>
                              void note({ kind: "instability", item, present })
                            }
                          >
                            {t(present ? "yes" : "no")}
                          </button>
                        ))}
                      </span>
                    </div>
                  );
                })}
            </section>
          )}
          <Responses kept={view.responses} onNote={note} />
          {unused.length > 0 && (
            <section className="block" id="unused">
              <h2>{t("read-unused")}</h2>
              {unused.map((w) => (
                <p key={w.finding.id} className="small">
                  <b>{nameOf("test", w.finding.test)}</b>{" "}
                  {w.finding.side === story.side
                    ? ""
                    : `(${nameOf("side", w.finding.side)}) `}
                  {answerText(w.finding.answer, unit(w.finding.test))}
                  <br />
                  <span className="soft">
                    {w.unused ? sentence(w.unused) : ""}
                  </span>
                </p>
              ))}
            </section>
          )}
          <section className="block" id="summary">
            <h2>
              {t("read-summary")}{" "}
              <Button
                size="small"
                onClick={() =>
                  void navigator.clipboard.writeText(
                    view.summary.map(sentence).join("\n"),
                  )
                }
              >
                {t("copy")}
              </Button>
            </h2>
            <ul className="plainlist small">
              {view.summary.map((r) => (
                <li key={sentence(r)}>{sentence(r)}</li>
              ))}
            </ul>
          </section>
        </aside>
      </div>
    </div>
  );
}

const levelNumber = (level: Schemas["Irritability"] | null | undefined) =>
  level === "high"
    ? 2
    : level === "moderate"
      ? 1
      : level === "low"
        ? 0
        : undefined;

function lastVote(page: Page, question: string): string {
  const found = [...page.notes]
    .reverse()
    .find((n) => n.kind === "irritability" && n.question === question);
  return found?.kind === "irritability" ? String(found.value) : "";
}

const SUBJECTS = ["range", "strength", "score", "test"] as const;

/** Two visits side by side, on demand: every day with findings can be chosen. */
function Compare({ episode }: { episode: string }) {
  const [open, setOpen] = useState(false);
  const [days, setDays] = useState<{ before?: string; now?: string }>({});
  const page = useQuery({
    queryKey: ["comparison", episode, days],
    enabled: open,
    placeholderData: (kept) => kept,
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/comparison", {
          params: { path: { id: episode }, query: days },
        }),
      ),
  });
  if (!open)
    return (
      <p>
        <Button size="small" id="compare-open" onClick={() => setOpen(true)}>
          {t("compare-open")}
        </Button>
      </p>
    );
  const view = page.data;
  if (!view) return <Pending query={page} />;
  const name = (row: Schemas["Compared"]) =>
    capital(
      nameOf(
        row.subject === "range"
          ? "quantity"
          : row.subject === "score"
            ? "instrument"
            : row.subject,
        row.id,
      ),
    );
  const value = (
    row: Schemas["Compared"],
    answer: Schemas["TestAnswer"] | null | undefined,
  ) =>
    answer == null
      ? "–"
      : answer.kind === "number"
        ? answerText(
            { ...answer, value: Math.round(answer.value * 10) / 10 },
            row.unit,
          )
        : answerText(answer, row.unit);
  return (
    <section className="block" id="compare">
      <h2>
        {t("compare-title")}{" "}
        <span className="soft small">{t("compare-lead")}</span>
      </h2>
      {!view.before || !view.now ? (
        <p className="soft">{t("compare-none")}</p>
      ) : (
        <table className="criteria compare">
          <thead>
            <tr>
              <th />
              {(["before", "now"] as const).map((which) => (
                <th key={which}>
                  {t(`compare-${which}`)}
                  <br />
                  <select
                    className="native w-140"

                    aria-label={t(`compare-${which}`)}
                    value={view[which] ?? ""}
                    onChange={(e) =>
                      setDays({
                        ...(view.before ? { before: view.before } : {}),
                        ...(view.now ? { now: view.now } : {}),
                        [which]: e.target.value,
                      })
                    }
                  >
                    {view.days
                      .filter((d) =>
                        which === "before"
                          ? d < (view.now ?? "")
                          : d > (view.before ?? ""),
                      )
                      .map((d) => (
                        <option key={d} value={d}>
                          {shortDate(d)}
                        </option>
                      ))}
                  </select>
                </th>
              ))}
              <th />
            </tr>
          </thead>
          {SUBJECTS.map((subject) => {
            const rows = view.rows.filter((r) => r.subject === subject);
            return (
              rows.length > 0 && (
                <tbody key={subject}>
                  <tr>
                    <th colSpan={4} className="pad-top-12">
                      {nameOf("subject", subject)}
                    </th>
                  </tr>
                  {rows.map((r) => (
                    <tr
                      key={r.id}
                      data-subject={subject}
                      data-word={r.word ?? ""}
                    >
                      <td>{name(r)}</td>
                      <td className="num">{value(r, r.before)}</td>
                      <td className="num">
                        <b>{value(r, r.now)}</b>
                      </td>
                      <td className="small">
                        {r.unused ? (
                          t("compare-unused")
                        ) : r.word ? (
                          `${r.worse ? `${t("read-worse")}, ` : ""}${nameOf("change", r.word)}`
                        ) : (
                          <span className="soft">
                            {r.before && r.now && subject !== "test"
                              ? t("compare-no-word")
                              : ""}
                          </span>
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              )
            );
          })}
        </table>
      )}
    </section>
  );
}

/** Conditions decided by range and radiograph. */
function Criteria({ view, onNote }: { view: View; onNote: OnNote }) {
  return (
    <section className="block" id="criteria">
      <h2>
        {t("read-criteria")}{" "}
        <span className="soft small">{t("read-criteria-lead")}</span>
      </h2>
      {view.conditions.map((c) => (
        <div
          key={c.condition}
          className={`criterion ${c.status}`}
          data-condition={c.condition}
          data-status={c.status}
        >
          <b>{capital(nameOf("condition", c.condition))}</b>{" "}
          <span className="tag">{t(`condition-${c.status}`)}</span>
          <ul className="plainlist small soft">
            {c.parts.map((r) => (
              <li key={sentence(r)}>{sentence(r)}</li>
            ))}
          </ul>
        </div>
      ))}
      <p>
        {t("read-film")}{" "}
        {(
          [
            ["film-yes", true],
            ["film-no", false],
          ] as const
        ).map(([key, present]) => (
          <Button
            key={key}
            size="small"
            onClick={() =>
              void onNote({
                kind: "known",
                about: "glenohumeral-osteoarthritis",
                present,
                by: "radiograph",
              })
            }
            className="after-6"
          >
            {t(key)}
          </Button>
        ))}
      </p>
    </section>
  );
}

/** An operated shoulder: what is watched for, and where it stands. */
function State({ view }: { view: View }) {
  return (
    <section className="block" id="state">
      <h2>
        {t("read-state")}{" "}
        <span className="soft small">{t("read-state-lead")}</span>
      </h2>
      {view.state.map((s) => (
        <div
          key={s.sign}
          className={`sign ${s.state}`}
          data-sign={s.sign}
          data-state={s.state}
        >
          <svg
            width="22"
            height="22"
            viewBox="-11 -11 22 22"
            aria-hidden="true"
          >
            {s.state === "raised" ? (
              <path d="M-4-9H4L9-4V4L4 9H-4L-9 4V-4Z" fill="var(--brick)" />
            ) : s.state === "quiet" ? (
              <path
                d="m-6 0 4 5 8-10"
                fill="none"
                stroke="var(--moss)"
                strokeWidth="3"
              />
            ) : (
              <circle
                r="7"
                fill="none"
                stroke="var(--mid)"
                strokeWidth="2"
                strokeDasharray="3 3"
              />
            )}
          </svg>
          <span>
            <b>{capital(nameOf("sign", s.sign))}</b>{" "}
            <span className="soft">{t(`state-${s.state}`)}</span>
            {s.reasons.map((r) => (
              <span key={sentence(r)}>
                <br />
                {sentence(r)}
              </span>
            ))}
          </span>
        </div>
      ))}
    </section>
  );
}

/** What was published of each test behind a beam. */
function Sources({ view }: { view: Schemas["HypothesisView"] }) {
  const tests = view.steps.flatMap((s) => s.tests);
  if (tests.length === 0) return null;
  return (
    <table className="criteria sources">
      <thead>
        <tr>
          <th>{t("test")}</th>
          <th>{t("sensitivity")}</th>
          <th>{t("specificity")}</th>
          <th>{t("alone")}</th>
          <th>{t("source")}</th>
        </tr>
      </thead>
      <tbody>
        {tests.map((x) => (
          <tr key={x.test}>
            <td>
              {nameOf("test", x.test)} {x.positive ? "+" : "−"}
            </td>
            <td className="num">{Math.round(x.sensitivity * 100)} %</td>
            <td className="num">{Math.round(x.specificity * 100)} %</td>
            <td className="num">× {Number(x.ratio_alone.toPrecision(2))}</td>
            <td className="small soft">
              {x.source}, {t("from-memory", { confidence: x.confidence })}
              {x.assumed_counts ? `, ${t("assumed-counts")}` : ""}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The clinician's own pre-test probability, and what imaging has shown. */
function Own({
  hypothesis,
  probability,
  onNote,
}: {
  hypothesis: string;
  probability: number;
  onNote: OnNote;
}) {
  const [own, setOwn] = useState("");
  const [why, setWhy] = useState("");
  const [by, setBy] = useState<Schemas["Evidence"]>("ultrasound");
  return (
    <div className="own">
      <label>
        {t("own-pre-test")}{" "}
        <input
          className="native num w-70"
          inputMode="numeric"

          placeholder={String(Math.round(probability * 100))}
          value={own}
          onChange={(e) => setOwn(e.target.value)}
        />{" "}
        %
      </label>
      <Input
        aria-label={t("own-why")}
        placeholder={t("own-why")}
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        className="w-190"
      />
      <Button
        size="small"
        disabled={own === ""}
        onClick={() =>
          void onNote({
            kind: "pre_test",
            hypothesis,
            probability: Number(own) / 100,
            reason: why,
          })
        }
      >
        {t("own-set")}
      </Button>
      <span className="gap" />
      <select
        className="native w-150"

        aria-label={t("known-by")}
        value={by}
        onChange={(e) => setBy(e.target.value as Schemas["Evidence"])}
      >
        {(["radiograph", "ultrasound", "mri", "operation"] as const).map(
          (b) => (
            <option key={b} value={b}>
              {nameOf("by", b)}
            </option>
          ),
        )}
      </select>
      <Button
        size="small"
        onClick={() =>
          void onNote({ kind: "known", about: hypothesis, present: true, by })
        }
      >
        {t("known-shown")}
      </Button>
      <Button
        size="small"
        onClick={() =>
          void onNote({ kind: "known", about: hypothesis, present: false, by })
        }
      >
        {t("known-excluded")}
      </Button>
    </div>
  );
}

/** Before and after one dose, on the same sign, in the room. */
function Responses({
  kept,
  onNote,
}: {
  kept: View["responses"];
  onNote: OnNote;
}) {
  const [form, setForm] = useState({
    sign: "",
    dose: "",
    before: "",
    after: "",
  });
  const set = (name: keyof typeof form) => (e: { target: { value: string } }) =>
    setForm({ ...form, [name]: e.target.value });
  const ready =
    form.sign !== "" &&
    form.dose !== "" &&
    form.before !== "" &&
    form.after !== "";
  return (
    <section className="block" id="responses">
      <h2>{t("response-title")}</h2>
      {kept.map((r, i) => (
        <p key={i} className="small">
          {r.sign}:{" "}
          <b className="num">
            {r.before} → {r.after}
          </b>{" "}
          {t("response-done", { dose: r.dose })},{" "}
          <b>{nameOf("found", r.word)}</b>
        </p>
      ))}
      <div className="response">
        <Input
          aria-label={t("response-sign")}
          placeholder={t("response-sign")}
          value={form.sign}
          onChange={set("sign")}
        />
        <Input
          aria-label={t("response-dose")}
          placeholder={t("response-dose")}
          value={form.dose}
          onChange={set("dose")}
        />
        {(["before", "after"] as const).map((k) => (
          <input
            key={k}
            className="native num"
            inputMode="numeric"
            aria-label={t(`response-${k}`)}
            placeholder={t(`response-${k}`)}
            value={form[k]}
            onChange={set(k)}
          />
        ))}
        <Button
          size="small"
          disabled={!ready}
          onClick={() =>
            void onNote({
              kind: "response",
              sign: form.sign,
              dose: form.dose,
              before: Number(form.before),
              after: Number(form.after),
            }).then((stored) => {
              if (stored)
                setForm({ sign: "", dose: "", before: "", after: "" });
            })
          }
        >
          {t("response-keep")}
        </Button>
      </div>
    </section>
  );
}
