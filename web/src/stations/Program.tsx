import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useCallback, useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { attr, capital, nameOf, sentence, shortDate, t } from "../app/wording";
import { VerdictMark } from "../pictures/Marks";
import { Score } from "../pictures/Score";

type View = Schemas["ScoreView"];
type Line = Schemas["Line"];
const FIELDS = ["sets", "repetitions", "hold_s", "rest_s", "times_per_day", "days_per_week"] as const;

export function Program({ episode }: { episode: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { id: episode } } };
  const page = useQuery({ queryKey: ["program", episode], queryFn: () => ask(api.GET("/api/episodes/{id}/program", { params: { path: { id: episode } } })) });
  const [draft, setDraft] = useState<View>();
  const [later, setLater] = useState<Schemas["LaterItem"][]>([]);
  const [first, setFirst] = useState<Schemas["MovedUp"][]>([]);
  const [past, setPast] = useState<Line[][]>([]);
  const [selected, setSelected] = useState<string>();
  const [span, setSpan] = useState<"all" | "now">("all");
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState("");
  const [error, setError] = useState<unknown>();
  const [told, setTold] = useState("");
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1000);
  useEffect(() => {
    const fit = () => setWidth(Math.max(760, (box.current?.clientWidth ?? 1000) - 2));
    fit();
    window.addEventListener("resize", fit);
    return () => window.removeEventListener("resize", fit);
  }, [page.data]);
  const view = draft ?? page.data?.score;
  const check = useCallback(async (lines: Line[], remember: boolean) => {
    setError(undefined);
    setTold("");
    try {
      const next = await ask(api.POST("/api/episodes/{id}/program/check", { params: { path: { id: episode } }, body: { rev: page.data?.rev ?? 0, lines } }));
      if (remember && view) setPast((p) => [...p, view.lines.map((l) => l.line)]);
      setDraft(next);
    } catch (e) { setError(e); }
  }, [episode, page.data, view]);
  // Sent here from the load bench: the line stands in the draft, judged, until the clinician saves it.
  const sent = params.get("add");
  useEffect(() => {
    const candidate = page.data?.candidates.find((c) => c.exercise === sent);
    if (!sent || !candidate || !page.data || !view) return;
    const kg = params.get("kg"), level = params.get("level");
    const id = newId();
    const dose = { ...candidate.dose, load_kg: kg === null ? candidate.dose.load_kg ?? null : Number(kg), elastic_level: level === null ? candidate.dose.elastic_level ?? null : Number(level) };
    setParams({}, { replace: true });
    setSelected(id);
    const from = view.today.day;
    void check([...view.lines.map((l) => l.line), { id, exercise: sent, from_day: from, to_day: from + 14, dose, override_reason: null }], true);
  }, [sent, params, setParams, page.data, view, check]);
  if (!page.data || !view) return <Pending query={page} />;
  if (view.phases.length === 0) return <><div className="page-head"><h1>{t("nav-program")}</h1></div><div className="notice decide" id="no-pathway">{t("program-no-pathway")} <Link to={`/e/${episode}/read`}>{t("nav-read")}</Link>.</div></>;
  const lines = view.lines.map((l) => l.line);
  const keep = (next: Schemas["ProgramPage"], text: string) => {
    queries.setQueryData(["program", episode], next);
    for (const key of ["visit", "story", "decisions"]) void queries.invalidateQueries({ queryKey: [key] });
    setDraft(undefined);
    setPast([]);
    setTold(text);
  };
  const run = async (work: () => Promise<void>) => { setError(undefined); setTold(""); try { await work(); } catch (e) { setError(e); } };
  const build = () => run(async () => {
    const proposal = await ask(api.POST("/api/episodes/{id}/program/build", path));
    setPast((p) => [...p, lines]);
    setDraft(proposal.score);
    setLater(proposal.later);
    setFirst(proposal.first);
  });
  const save = () => run(async () => keep(await ask(api.PUT("/api/episodes/{id}/program", { ...path, body: { rev: page.data.rev, lines } })), t("program-saved")));
  const sign = () => run(async () => keep(await ask(api.POST("/api/episodes/{id}/program/sign", { ...path, body: { rev: page.data.rev } })), t("program-signed-now")));
  const change = (id: string, part: Partial<Line>) => void check(lines.map((l) => (l.id === id ? { ...l, ...part } : l)), true);
  const undo = () => {
    const before = past.at(-1);
    if (!before) return;
    setPast(past.slice(0, -1));
    void check(before, false);
  };
  const chosen = view.lines.find((l) => l.line.id === selected);
  const blocked = view.lines.filter((l) => l.verdict.status === "blocked").length;
  const today = view.today.day;
  const window2: [number, number] = span === "all" ? [0, view.end_day] : [Math.max(0, today - 14), Math.min(view.end_day, Math.max(0, today - 14) + 70)];
  return (
    <>
      <div className="page-head stick">
        <h1>{t("program-title")}</h1>
        <span className="soft">{page.data.signed ? (page.data.signed.current && !draft ? t("signed-version", { version: page.data.signed.version, date: shortDate(page.data.signed.on) }) : t("program-edited", { version: page.data.signed.version })) : lines.length > 0 ? t("program-unsigned") : t("program-none")}</span>
        <span className="right no-print">
          <Button onClick={() => setSpan(span === "all" ? "now" : "all")}>{span === "all" ? t("score-zoom") : t("score-whole")}</Button>
          <Button id="undo" disabled={past.length === 0} onClick={undo}>{t("undo")}</Button>
          <Button id="build" onClick={() => void build()}>{lines.length > 0 ? t("program-rebuild") : t("program-build")}</Button>
          {draft ? <Button type="primary" id="save-program" disabled={blocked > 0} onClick={() => void save()}>{t("program-save")}</Button> : <Button type="primary" id="sign-program" disabled={lines.length === 0 || (page.data.signed?.current ?? false)} onClick={() => void sign()}>{t("program-sign")}</Button>}
        </span>
      </div>
      <ProblemNote error={error} />
      {told && <div className="notice go" role="status">{told}</div>}
      {draft && <div className="notice decide" id="draft">{blocked > 0 ? t("program-blocked", { count: blocked }) : t("program-draft")}</div>}
      <div className="score-wrap" ref={box}><Score view={view} selected={selected} onSelect={(id) => setSelected(selected === id ? undefined : id)} window={window2} width={width} /></div>
      {chosen && (
        <section className="sheet panel" id="line-panel">
          <div>
            <img src={`/api/episodes/${episode}/figures/${chosen.line.exercise}`} alt={attr(`ex-${chosen.line.exercise}`, "how")} />
            <p className="small">{attr(`ex-${chosen.line.exercise}`, "start")} {attr(`ex-${chosen.line.exercise}`, "how")}</p>
          </div>
          <div>
            <h3>{nameOf("exercise", chosen.line.exercise)}</h3>
            <p className="soft small">{nameOf("ladder", chosen.ladder)}, {t("rung-n", { n: chosen.rung })}</p>
            <div className="doses">
              {FIELDS.map((f) => (
                <label className="field" key={f}>{nameOf("field", f)}
                  <input className="native num" id={`dose-${f}`} type="number" defaultValue={chosen.line.dose[f]} key={`${chosen.line.id}${f}${chosen.line.dose[f]}`} onBlur={(e) => { const n = Math.round(Number(e.target.value)); if (n !== chosen.line.dose[f] && n >= 0) change(chosen.line.id, { dose: { ...chosen.line.dose, [f]: n } }); }} />
                </label>
              ))}
              {(["from_day", "to_day"] as const).map((f) => (
                <label className="field" key={f}>{t(f)}
                  <input className="native num" id={f} type="number" defaultValue={chosen.line[f]} key={`${chosen.line.id}${f}${chosen.line[f]}`} onBlur={(e) => { const n = Math.round(Number(e.target.value)); if (n !== chosen.line[f]) change(chosen.line.id, { [f]: n }); }} />
                </label>
              ))}
            </div>
            <p className="num small" style={{ marginTop: 8 }}>{t("minutes-session", { minutes: Math.round(chosen.totals.minutes) })}, {t("weekly-reps", { n: Math.round(chosen.totals.weekly_repetitions) })}</p>
            <Button id="remove-line" onClick={() => { setSelected(undefined); void check(lines.filter((l) => l.id !== chosen.line.id), true); }}>{t("remove")}</Button>
          </div>
          <div>
            <h3 style={{ marginBottom: 6 }}><VerdictMark status={chosen.verdict.status} /> {t(`verdict-${chosen.verdict.status}`)}</h3>
            <ul className="reasons">
              {chosen.verdict.findings.map((f, i) => <li key={i}><VerdictMark status={f.status} />{sentence(f.reason)} <span className="soft small">{t("day-n", { day: f.day })}{f.overridable ? `, ${t("may-override")}` : `, ${t("may-not-override")}`}</span></li>)}
              {chosen.verdict.findings.length === 0 && <li><VerdictMark status="allowed" />{t("verdict-nothing")}</li>}
            </ul>
            {chosen.verdict.status === "caution" && <label className="field" style={{ marginTop: 10 }}>{t("override-reason")}<Input id="caution-reason" defaultValue={chosen.line.override_reason ?? ""} onBlur={(e) => change(chosen.line.id, { override_reason: e.target.value || null })} /></label>}
          </div>
        </section>
      )}
      <section className="block no-print" style={{ marginTop: 18 }}>
        <h2>{t("program-add")}</h2>
        <div style={{ display: "flex", gap: 10, maxWidth: 760 }}>
          <select id="candidate" aria-label={t("program-add")} value={adding} onChange={(e) => setAdding(e.target.value)} style={{ height: 38, flex: 1, font: "inherit", border: "1px solid #b9b09d", borderRadius: 4, background: "var(--paper)" }}>
            <option value="">{t("program-choose")}</option>
            {[...new Set(page.data.candidates.map((c) => c.ladder))].map((ladder) => (
              <optgroup key={ladder} label={nameOf("ladder", ladder)}>
                {page.data.candidates.filter((c) => c.ladder === ladder).sort((a, b) => a.rung - b.rung).map((c) => <option key={c.exercise} value={c.exercise}>{c.rung}. {nameOf("exercise", c.exercise)} ({t(`verdict-${c.today.status}`)})</option>)}
              </optgroup>
            ))}
          </select>
          <Button id="add-line" disabled={!adding} onClick={() => {
            const c = page.data.candidates.find((x) => x.exercise === adding);
            if (!c) return;
            const id = newId();
            setSelected(id);
            void check([...lines, { id, exercise: c.exercise, from_day: today, to_day: today + 14, dose: c.dose, override_reason: null }], true);
          }}>{t("add")}</Button>
        </div>
      </section>
      {first.length > 0 && (
        <section className="block" id="first"><h2>{t("program-first")}</h2>
          <ul className="small" style={{ margin: 0, paddingLeft: 20 }}>{first.map((f) => <li key={f.ladder}>{nameOf("ladder", f.ladder)}: {nameOf("measure", f.measure)}, {sentence(f.reason).replace(/^./, (x) => x.toLowerCase())}</li>)}</ul>
        </section>
      )}
      {later.length > 0 && (
        <section className="block"><h2>{t("program-later")}</h2>
          <ul className="small" style={{ margin: 0, paddingLeft: 20 }}>{later.map((l) => <li key={l.phase + l.ladder}>{nameOf("ladder", l.ladder)}, {nameOf("phase", l.phase)}: {sentence(l.reason).replace(/^./, (x) => x.toLowerCase())}</li>)}</ul>
        </section>
      )}
      <section className="block">
        <h2>{t("milestones")}</h2>
        <table className="criteria" style={{ maxWidth: 760 }}><tbody>
          {view.milestones.map((m) => <tr key={m.id}><td className="num" style={{ width: 160 }}>{t("week-day", { week: m.day / 7, day: m.day })}</td><td>{nameOf("milestone", m.id)}</td><td>{m.reached == null ? "" : m.reached ? t("reached") : t("not-yet")}</td></tr>)}
        </tbody></table>
        <p className="soft small" style={{ marginTop: 10 }}>{t("program-knowledge", { sha: page.data.knowledge ?? "–" })} {capital(t("defers"))}</p>
      </section>
    </>
  );
}
