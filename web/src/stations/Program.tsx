import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { clock, nameOf, shortDate, t } from "../app/wording";
import { PlanChart } from "../pictures/PlanChart";
import { useDraft } from "./program/draft";
import { LinePanel } from "./program/LinePanel";
import { Milestones, Told, Volumes } from "./program/Told";
import { WhatIf } from "./program/WhatIf";

const ZOOMS = ["all", "ten", "week"] as const;

export function Program({ episode, who }: { episode: string; who: string }) {
  const queries = useQueryClient();
  const path = { params: { path: { id: episode } } };
  const page = useQuery({
    queryKey: ["program", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/program", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const draft = useDraft(episode, page.data?.chart, page.data?.rev ?? 0);
  const [proposal, setProposal] = useState<Schemas["ProposalPage"]>();
  const [selected, setSelected] = useState<string>();
  const [zoom, setZoom] = useState<(typeof ZOOMS)[number]>("all");
  const [week, setWeek] = useState<number>();
  const [whatIf, setWhatIf] = useState(false);
  const [params, setParams] = useSearchParams();
  const [adding, setAdding] = useState("");
  const [told, setTold] = useState("");
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1000);
  useEffect(() => {
    const fit = () =>
      setWidth(Math.max(760, (box.current?.clientWidth ?? 1000) - 2));
    fit();
    window.addEventListener("resize", fit);
    return () => window.removeEventListener("resize", fit);
  }, [page.data]);
  const { view, lines } = draft;
  const chosen = view?.lines.find((l) => l.line.id === selected);
  // Sent here from the load bench: the line stands in the draft, judged, until the clinician saves it.
  const sent = params.get("add");
  const laid = useRef<string>(null);
  useEffect(() => {
    const candidate = page.data?.candidates.find((c) => c.exercise === sent);
    // The address changes only after this render: whatever else renders in between must not lay it twice.
    if (!sent || !candidate || !view || laid.current === sent) return;
    laid.current = sent;
    const kg = params.get("kg"),
      level = params.get("level");
    const dose = {
      ...candidate.dose,
      load_kg: kg === null ? (candidate.dose.load_kg ?? null) : Number(kg),
      elastic_level:
        level === null ? (candidate.dose.elastic_level ?? null) : Number(level),
    };
    setParams({}, { replace: true });
    setSelected(
      draft.add({
        exercise: sent,
        from_day: view.today.day,
        to_day: view.today.day + 14,
        dose,
        override_reason: null,
      }),
    );
  }, [sent, params, setParams, page.data, view, draft]);
  /** The rung above or below on the same ladder takes the place of this one. */
  const rung = (id: string, step: number) => {
    const at = view?.lines.find((l) => l.line.id === id);
    const ladder =
      page.data?.candidates
        .filter((c) => c.ladder === at?.ladder)
        .sort((a, b) => a.rung - b.rung) ?? [];
    const next =
      ladder[ladder.findIndex((c) => c.exercise === at?.line.exercise) + step];
    if (at && next)
      void draft.edit(id, {
        exercise: next.exercise,
        dose: next.dose,
        override_reason: null,
      });
  };
  const move = (id: string, from: number, to: number) => {
    const line = lines.find((l) => l.id === id);
    if (line && (from !== 0 || to !== 0))
      void draft.edit(id, {
        from_day: Math.max(0, line.from_day + from),
        to_day: Math.max(1, line.to_day + to),
      });
  };
  // The plan chart is edited from the keyboard: the chosen line moves, stretches, climbs, goes; every step can be taken back.
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (typing || e.altKey) return;
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "z") {
        e.preventDefault();
        void (e.shiftKey ? draft.redo() : draft.undo());
        return;
      }
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === "y") {
        e.preventDefault();
        void draft.redo();
        return;
      }
      if (e.ctrlKey || e.metaKey) return;
      if (e.key === "z") {
        setZoom((z) => ZOOMS[(ZOOMS.indexOf(z) + 1) % ZOOMS.length] ?? "all");
        return;
      }
      if (!selected) return;
      const days =
        (e.key === "ArrowRight" ? 1 : e.key === "ArrowLeft" ? -1 : 0) * 7;
      if (days !== 0) {
        e.preventDefault();
        move(selected, e.shiftKey ? 0 : days, days);
      } else if (e.key === "+" || e.key === "=") rung(selected, 1);
      else if (e.key === "-") rung(selected, -1);
      else if (e.key === "Delete" || e.key === "Backspace") {
        e.preventDefault();
        setSelected(undefined);
        void draft.remove(selected);
      } else if (e.key === "Escape") setSelected(undefined);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  if (!page.data || !view) return <Pending query={page} />;
  if (view.phases.length === 0)
    return (
      <>
        <div className="page-head">
          <h1>{t("nav-program")}</h1>
        </div>
        <div className="notice decide" id="no-pathway">
          {t("program-no-pathway")}{" "}
          <Link to={`/e/${episode}/story`}>{t("nav-story")}</Link>,{" "}
          <Link to={`/e/${episode}/read`}>{t("nav-read")}</Link>.
        </div>
      </>
    );
  const keep = (next: Schemas["ProgramPage"], text: string) => {
    queries.setQueryData(["program", episode], next);
    for (const key of ["visit", "story", "day-list"])
      void queries.invalidateQueries({ queryKey: [key] });
    draft.clear();
    setTold(text);
  };
  const run = async (work: () => Promise<void>) => {
    draft.setError(undefined);
    setTold("");
    try {
      await work();
    } catch (e) {
      draft.setError(e);
    }
  };
  const build = () =>
    run(async () => {
      const next = await ask(
        api.POST("/api/episodes/{id}/program/build", path),
      );
      setProposal(next);
      draft.lay(next.chart);
    });
  const save = () =>
    run(async () =>
      keep(
        await ask(
          api.PUT("/api/episodes/{id}/program", {
            ...path,
            body: { rev: page.data.rev, lines },
          }),
        ),
        t("program-saved"),
      ),
    );
  const sign = () =>
    run(async () =>
      keep(
        await ask(
          api.POST("/api/episodes/{id}/program/sign", {
            ...path,
            body: { rev: page.data.rev },
          }),
        ),
        t("program-signed-now"),
      ),
    );
  const blocked = view.lines.filter(
    (l) => l.verdict.status === "blocked",
  ).length;
  const today = view.today.day;
  const at = week ?? Math.floor(today / 7);
  const shown: [number, number] =
    zoom === "all"
      ? [0, view.end_day]
      : zoom === "ten"
        ? [
            Math.max(0, today - 14),
            Math.min(view.end_day, Math.max(0, today - 14) + 70),
          ]
        : [at * 7, at * 7 + 7];
  const why =
    proposal?.why
      .filter((w) => w.exercise === chosen?.ladder)
      .flatMap((w) => w.reasons) ?? [];
  const half = Math.ceil(view.end_day / 14) * 7;
  return (
    <div id="program-page">
      <div className="page-head stick">
        <h1>{t("program-title")}</h1>
        <span className="soft">
          {page.data.signed
            ? page.data.signed.current && !draft.draft
              ? t("signed-version", {
                  version: page.data.signed.version,
                  date: shortDate(page.data.signed.on),
                })
              : t("program-edited", { version: page.data.signed.version })
            : lines.length > 0
              ? t("program-unsigned")
              : t("program-none")}
        </span>
        <span className="right no-print">
          <span
            className="zoom"
            role="group"
            aria-label={t("chart-zoom-group")}
          >
            {ZOOMS.map((z) => (
              <button
                key={z}
                className="yn"
                aria-pressed={zoom === z}
                onClick={() => setZoom(z)}
              >
                {t(`zoom-${z}`)}
              </button>
            ))}
          </span>
          <Button
            id="undo"
            title="Ctrl Z"
            disabled={draft.past.length === 0}
            onClick={() => void draft.undo()}
          >
            {t("undo")}
          </Button>
          <Button
            id="redo"
            title="Ctrl Y"
            disabled={draft.future.length === 0}
            onClick={() => void draft.redo()}
          >
            {t("redo")}
          </Button>
          <Button id="what-if-open" onClick={() => setWhatIf(!whatIf)}>
            {t("what-if")}
          </Button>
          <Button id="build" onClick={() => void build()}>
            {lines.length > 0 ? t("program-rebuild") : t("program-build")}
          </Button>
          {draft.draft ? (
            <Button
              type="primary"
              id="save-program"
              disabled={blocked > 0}
              onClick={() => void save()}
            >
              {t("program-save")}
            </Button>
          ) : (
            <Button
              type="primary"
              id="sign-program"
              disabled={
                lines.length === 0 || (page.data.signed?.current ?? false)
              }
              onClick={() => void sign()}
            >
              {t("program-sign")}
            </Button>
          )}
        </span>
      </div>
      <ProblemNote error={draft.error} />
      {told && (
        <div className="notice go" role="status">
          {told}
        </div>
      )}
      {draft.draft && (
        <div
          className="notice decide"
          id="draft"
          data-took={Math.round(draft.took ?? 0)}
        >
          {blocked > 0
            ? t("program-blocked", { count: blocked })
            : t("program-draft")}
        </div>
      )}
      {whatIf && (
        <WhatIf
          episode={episode}
          width={width}
          onClose={() => setWhatIf(false)}
        />
      )}
      {zoom === "week" && (
        <p className="weeks no-print">
          <Button
            size="small"
            disabled={at <= 0}
            onClick={() => setWeek(at - 1)}
          >
            ←
          </Button>{" "}
          <b className="num">
            {t("zoom-week-of", { week: at, from: at * 7, to: at * 7 + 6 })}
          </b>{" "}
          <Button
            size="small"
            disabled={at * 7 + 7 >= view.end_day}
            onClick={() => setWeek(at + 1)}
          >
            →
          </Button>
        </p>
      )}
      <div className="chart-wrap no-print" ref={box}>
        <PlanChart
          view={view}
          selected={selected}
          onSelect={(id) => setSelected(selected === id ? undefined : id)}
          onMove={move}
          window={shown}
          width={width}
          tight={zoom === "week"}
        />
      </div>
      <p className="soft small no-print" id="chart-keys">
        {t("chart-keys")}
      </p>
      <div className="print-only">
        {(
          [
            [0, half],
            [half, view.end_day],
          ] as [number, number][]
        ).map((w, i) => (
          <div key={i} className="print-sheet">
            <p className="num">
              <b>{who}</b> · {clock(view.today)} ·{" "}
              {page.data.signed && !draft.draft && page.data.signed.current
                ? t("signed-version", {
                    version: page.data.signed.version,
                    date: shortDate(page.data.signed.on),
                  })
                : t("print-draft")}{" "}
              · {t("print-sheet", { n: i + 1 })}
            </p>
            <PlanChart
              view={view}
              selected={undefined}
              onSelect={() => undefined}
              window={w}
              width={1360}
              tight
            />
            <p className="soft small">{t("defers")}</p>
          </div>
        ))}
      </div>
      {chosen && (
        <LinePanel
          episode={episode}
          chosen={chosen}
          why={why}
          draft={draft}
          onRung={(step) => rung(chosen.line.id, step)}
          onRemove={() => {
            setSelected(undefined);
            void draft.remove(chosen.line.id);
          }}
        />
      )}
      <section className="block no-print above-18">
        <h2>{t("program-add")}</h2>
        <div className="row w-760">
          <select
            id="candidate"
            className="native grow"
            aria-label={t("program-add")}
            value={adding}
            onChange={(e) => setAdding(e.target.value)}
          >
            <option value="">{t("program-choose")}</option>
            {[...new Set(page.data.candidates.map((c) => c.ladder))].map(
              (ladder) => (
                <optgroup key={ladder} label={nameOf("ladder", ladder)}>
                  {page.data.candidates
                    .filter((c) => c.ladder === ladder)
                    .sort((a, b) => a.rung - b.rung)
                    .map((c) => (
                      <option key={c.exercise} value={c.exercise}>
                        {c.rung}. {nameOf("exercise", c.exercise)} (
                        {t(`verdict-${c.today.status}`)})
                      </option>
                    ))}
                </optgroup>
              ),
            )}
          </select>
          <Button
            id="add-line"
            disabled={!adding}
            onClick={() => {
              const c = page.data.candidates.find((x) => x.exercise === adding);
              if (c)
                setSelected(
                  draft.add({
                    exercise: c.exercise,
                    from_day: today,
                    to_day: today + 14,
                    dose: c.dose,
                    override_reason: null,
                  }),
                );
            }}
          >
            {t("add")}
          </Button>
        </div>
      </section>
      {proposal && draft.draft && <Told proposal={proposal} />}
      <Volumes view={view} />
      <Milestones view={view} />
      <p className="soft small above-10">
        {view.schools && Object.keys(view.schools).length > 0
          ? `${t("schools-hold")} ${Object.entries(view.schools)
              .filter(([q]) => !GENERAL.has(q))
              .map(
                ([q, s]) => `${nameOf("question", q)}: ${nameOf("school", s)}`,
              )
              .join(" · ")}. `
          : ""}
        {t("program-knowledge", { sha: page.data.knowledge ?? "–" })}{" "}
        {t("defers")}
      </p>
    </div>
  );
}

/** Questions that concern every shoulder; the foot of the page names only those of the pathway. */
const GENERAL = new Set([
  "pain-rule",
  "frequency",
  "set-structure",
  "hold-style",
  "effort",
  "blade-cue",
  "rotation-inward",
]);
