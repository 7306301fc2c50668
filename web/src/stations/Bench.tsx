import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, ask, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { attr, capital, nameOf, sentence, t } from "../app/wording";
import { LoadCurve, Supplies } from "../pictures/LoadCurve";

type Card = Schemas["ExerciseCard"];
type Setup = Schemas["Setup"];
type Answer = Schemas["LoadAnswer"];
const STEPS = 24;

const setupText = (s: {
  weight_kg?: number | null;
  level?: number | null;
  distance_m?: number | null;
  doubled?: boolean;
}) =>
  [
    s.weight_kg != null ? `${s.weight_kg} kg` : "",
    s.level != null ? t("bench-level", { level: s.level }) : "",
    s.distance_m != null ? `${s.distance_m.toFixed(2)} m` : "",
    s.doubled ? t("bench-doubled") : "",
  ]
    .filter(Boolean)
    .join(", ");

/** One exercise: the moving figure, the load curve, and the numbers that move together along the path. */
export function Bench({ id, cards }: { id: string; cards: Card[] }) {
  const [params] = useSearchParams();
  const episode = params.get("e");
  const card = cards.find((c) => c.id === id);
  const [setup, setSetup] = useState<Setup>({
    mass_kg: 75,
    height_m: 1.75,
    weight_kg: null,
    level: null,
    distance_m: null,
    doubled: false,
  });
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [wanted, setWanted] = useState("");
  const [answer, setAnswer] = useState<Answer>();
  const [held, setHeld] = useState<Answer>();
  const [error, setError] = useState<unknown>();
  const [at, setAt] = useState(100);
  const [playing, setPlaying] = useState(false);
  const figure = useQuery({
    queryKey: ["figure", id, episode],
    queryFn: async () =>
      (
        await fetch(
          `/api/exercises/${id}/figure?moving=true${episode ? `&episode=${episode}` : ""}`,
        )
      ).text(),
    staleTime: Infinity,
  });
  const story = useQuery({
    queryKey: ["story", episode],
    enabled: episode !== null,
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode ?? "" } },
        }),
      ),
  });
  const stage = useRef<HTMLDivElement>(null);
  // A patient's own body, where it is on record.
  const body = story.data?.story;
  useEffect(() => {
    if (body?.mass_kg != null && body.height_cm != null)
      setSetup((s) => ({
        ...s,
        mass_kg: body.mass_kg ?? s.mass_kg,
        height_m: (body.height_cm ?? 175) / 100,
      }));
  }, [body?.mass_kg, body?.height_cm]);
  const compute = useRef(0);
  useEffect(() => {
    const turn = ++compute.current;
    ask(
      api.POST("/api/exercises/{exercise}/load", {
        params: { path: { exercise: id } },
        body: { setup, episode },
      }),
    ).then(
      (a) => {
        if (turn === compute.current) {
          setAnswer(a);
          setError(undefined);
        }
      },
      (e: unknown) => {
        if (turn === compute.current) setError(e);
      },
    );
  }, [id, setup, episode]);
  const solve = (what: Schemas["SolveFor"]) => {
    ++compute.current;
    ask(
      api.POST("/api/exercises/{exercise}/load", {
        params: { path: { exercise: id } },
        body: {
          setup: answer?.view.setup ?? setup,
          episode,
          solve: { what, peak_nm: Number(wanted) },
        },
      }),
    ).then((a) => {
      setAnswer(a);
      setError(undefined);
      setTyped({});
      if (!a.unsolved) setSetup(a.view.setup);
    }, setError);
  };
  // Which step of the drawing is seen: nothing is asked of the server while the cursor moves.
  const step = Math.round((at / 100) * STEPS);
  useEffect(() => {
    stage.current?.querySelectorAll<SVGGElement>("[data-step]").forEach((g) => {
      g.style.display = Number(g.dataset["step"]) === step ? "inline" : "none";
    });
  }, [step, figure.data]);
  const still = useMemo(
    () => window.matchMedia("(prefers-reduced-motion: reduce)").matches,
    [],
  );
  useEffect(() => {
    if (!playing) return;
    let frame = 0;
    const begun = performance.now();
    const tick = (now: number) => {
      // Two seconds out, two back.
      const phase = ((now - begun) / 2000) % 2;
      setAt(Math.round((phase < 1 ? phase : 2 - phase) * 100));
      frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [playing]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName)
      )
        return;
      if (e.key === "ArrowRight" || e.key === "ArrowLeft") {
        setPlaying(false);
        setAt((now) =>
          Math.min(100, Math.max(0, now + (e.key === "ArrowRight" ? 2 : -2))),
        );
      } else if (e.key === " " && !(e.target instanceof HTMLButtonElement))
        setPlaying((p) => !p);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  if (!card)
    return (
      <div className="notice">
        {t("library-unknown", { id })}{" "}
        <Link to="/library">{t("nav-library")}</Link>
      </div>
    );
  const view = answer?.view;
  const point = view?.curve.points[at];
  const shownSetup = view?.setup ?? setup;
  const field = (
    name: "mass_kg" | "height_m" | "weight_kg" | "distance_m",
    unit: string,
    label: string,
  ) => (
    <label className="field">
      {label}
      <span className="withunit">
        <input
          className="native num"
          id={`bench-${name}`}
          inputMode="decimal"
          value={
            typed[name] ??
            (shownSetup[name] == null
              ? ""
              : String(Math.round((shownSetup[name] ?? 0) * 100) / 100))
          }
          onChange={(e) => {
            setTyped({ ...typed, [name]: e.target.value });
            const value = Number(e.target.value.replace(",", "."));
            if (e.target.value !== "" && Number.isFinite(value))
              setSetup({ ...shownSetup, [name]: value });
          }}
          onBlur={() =>
            setTyped((all) =>
              Object.fromEntries(
                Object.entries(all).filter(([key]) => key !== name),
              ),
            )
          }
        />{" "}
        {unit}
      </span>
    </label>
  );
  const before = cards.filter((c) => c.next.includes(id));
  const family = cards
    .filter((c) => c.ladder === card.ladder)
    .sort((a, b) => a.rung - b.rung);
  const near =
    view &&
    cards
      .filter(
        (c) =>
          c.id !== id &&
          c.peak_nm != null &&
          c.main === view.curve.main &&
          Math.abs(c.peak_nm - view.curve.peak_nm) /
            Math.max(1, view.curve.peak_nm) <
            0.12,
      )
      .slice(0, 5);
  const elastic = card.load.kind === "elastic",
    weight = card.load.kind === "weight" || card.load.kind === "gravity";
  const take = (s: Schemas["LoadStep"]) => {
    setTyped({});
    setSetup({
      ...shownSetup,
      weight_kg: s.weight_kg ?? null,
      level: s.level ?? null,
      distance_m: s.distance_m ?? null,
    });
  };
  return (
    <div id="bench" data-exercise={id}>
      <div className="page-head">
        <h1>{nameOf("exercise", id)}</h1>
        <span className="soft">
          {nameOf("ladder", card.ladder)},{" "}
          {t("bench-rung", {
            rung: family.findIndex((c) => c.id === id) + 1,
            count: family.length,
          })}
        </span>
        <span className="right">
          <Link to="/library">{t("bench-back")}</Link>
        </span>
      </div>
      <ProblemNote error={error} />
      <div className="bench2">
        <section>
          <div className="stage" ref={stage}>
            {figure.data ? (
              <div dangerouslySetInnerHTML={{ __html: figure.data }} />
            ) : (
              <Pending query={figure} />
            )}
          </div>
          <p className="row below-14 above-8">
            {!still && (
              <Button size="small" onClick={() => setPlaying(!playing)}>
                {t(playing ? "bench-stop" : "bench-play")}
              </Button>
            )}
            <input
              type="range"
              min="0"
              max="100"
              value={at}
              aria-label={t("bench-along")}
              className="grow slider"
              onChange={(e) => {
                setPlaying(false);
                setAt(Number(e.target.value));
              }}
            />
          </p>
          <p className="flush below-4">{attr(`ex-${id}`, "start")}</p>
          <p className="flush below-10">{attr(`ex-${id}`, "how")}</p>
          <p className="small soft flush">
            {t("bench-task")} {attr(`ex-${id}`, "task")}
          </p>
          {card.faults.length > 0 && (
            <p className="small flush above-8">
              <b>{t("bench-faults")}</b>{" "}
              {card.faults.map((f) => nameOf("fault", f)).join(", ")}.
            </p>
          )}
          {card.beware.length > 0 && (
            <p className="small bad flush above-8">
              <b>{t("bench-beware")}</b>{" "}
              {card.beware.map((b) => nameOf("beware", b)).join(", ")}.
            </p>
          )}
          <nav className="steps-nav" aria-label={t("bench-ladder")}>
            {before.map((c) => (
              <Link key={c.id} to={`/library/${c.id}`}>
                ← {nameOf("exercise", c.id)}
              </Link>
            ))}
            {card.next.map((n) => (
              <Link key={n} to={`/library/${n}`}>
                {nameOf("exercise", n)} →
              </Link>
            ))}
          </nav>
        </section>
        <section>
          {view && (
            <LoadCurve
              view={view}
              held={held?.view}
              at={at}
              onAt={(next) => {
                setPlaying(false);
                setAt(next);
              }}
              width={640}
              height={270}
              label={t("bench-curve", { peak: view.curve.peak_nm.toFixed(1) })}
            />
          )}
          {view && point && (
            <div className="readout" id="readout">
              <div>
                <span className="soft small">{t("bench-here")}</span>
                <b className="num big">{point.total_nm.toFixed(1)} N·m</b>
                <span className="small num">
                  {t("bench-elevation", {
                    angle: Math.round(point.elevation_deg),
                  })}
                  ,{" "}
                  {t("bench-rotation", {
                    angle: Math.round(point.rotation_deg),
                  })}
                </span>
                {point.band && (
                  <span className="small num">
                    {t("bench-band", {
                      force: (point.band[1] ?? 0).toFixed(1),
                      percent: Math.round(point.band[0] ?? 0),
                    })}
                  </span>
                )}
              </div>
              <Supplies point={point} />
              <div>
                <span className="soft small">{t("bench-peak")}</span>
                <b className="num">{view.curve.peak_nm.toFixed(1)} N·m</b>
                <span className="small num soft">
                  {t("bench-mean", {
                    mean: view.curve.mean_nm.toFixed(1),
                    impulse: view.curve.impulse_nms.toFixed(1),
                  })}
                </span>
                {held && (
                  <span className="small num">
                    {t("bench-against", {
                      percent: Math.round(
                        (100 * view.curve.peak_nm) /
                          Math.max(0.01, held.view.curve.peak_nm),
                      ),
                    })}
                  </span>
                )}
              </div>
            </div>
          )}
          {answer?.share_pct != null && (
            <p className="num">
              <b>{Math.round(answer.share_pct)} %</b> {t("bench-share")}
            </p>
          )}
          {answer?.share_reason && (
            <p className="small soft">{sentence(answer.share_reason)}</p>
          )}
          {view?.minds.map((m) => (
            <p
              key={sentence(m)}
              className={`small flush above-4 below-4 ${/band-(slack|long)/.test(m.rule) ? "bad" : "soft"}`}
            >
              {sentence(m)}
            </p>
          ))}
          <div className="setup">
            {weight && field("weight_kg", "kg", t("bench-weight"))}
            {elastic && (
              <label className="field">
                {t("bench-elastic")}
                <select
                  className="native"
                  id="bench-level"
                  value={shownSetup.level ?? 1}
                  onChange={(e) =>
                    setSetup({ ...shownSetup, level: Number(e.target.value) })
                  }
                >
                  {[1, 2, 3, 4, 5, 6].map((l) => (
                    <option key={l} value={l}>
                      {t("bench-level", { level: l })}
                    </option>
                  ))}
                </select>
              </label>
            )}
            {elastic && field("distance_m", "m", t("bench-distance"))}
            {elastic && (
              <label className="tick">
                <input
                  type="checkbox"
                  checked={shownSetup.doubled ?? false}
                  onChange={(e) =>
                    setSetup({ ...shownSetup, doubled: e.target.checked })
                  }
                />{" "}
                {t("bench-double")}
              </label>
            )}
            {field("mass_kg", "kg", t("bench-mass"))}
            {field("height_m", "m", t("bench-height"))}
          </div>
          <div className="setup">
            {view?.harder && (
              <Button
                id="harder"
                onClick={() => view.harder && take(view.harder)}
              >
                {t("bench-harder")}{" "}
                <span className="soft num">{setupText(view.harder)}</span>
              </Button>
            )}
            {view?.easier && (
              <Button
                id="easier"
                onClick={() => view.easier && take(view.easier)}
              >
                {t("bench-easier")}{" "}
                <span className="soft num">{setupText(view.easier)}</span>
              </Button>
            )}
            <Button
              id="hold"
              onClick={() => setHeld(held ? undefined : answer)}
            >
              {t(held ? "bench-let-go" : "bench-hold")}
            </Button>
            {episode && card.load.kind !== "isometric" && (
              <Link
                className="chip plainchip"

                to={`/e/${episode}/program?add=${id}&${new URLSearchParams(
                  Object.entries({
                    kg: shownSetup.weight_kg,
                    level: shownSetup.level,
                  })
                    .filter(([, v]) => v != null)
                    .map(([k, v]) => [k, String(v)]),
                ).toString()}`}
              >
                {t("bench-to-program")}
              </Link>
            )}
          </div>
          {(elastic || weight) && (
            <div className="setup">
              <label className="field">
                {t("bench-wanted")}
                <span className="withunit">
                  <input
                    className="native num"
                    id="wanted"
                    inputMode="decimal"
                    value={wanted}
                    onChange={(e) => setWanted(e.target.value)}
                  />{" "}
                  N·m
                </span>
              </label>
              {(elastic
                ? (["distance", "level"] as const)
                : (["weight"] as const)
              ).map((what) => (
                <Button
                  key={what}
                  id={`solve-${what}`}
                  disabled={!(Number(wanted) > 0)}
                  onClick={() => solve(what)}
                >
                  {t(`bench-solve-${what}`)}
                </Button>
              ))}
              {answer?.unsolved && (
                <span className="bad" id="unsolved">
                  {sentence(answer.unsolved)}
                </span>
              )}
            </div>
          )}
          {held && (
            <p className="small">
              <svg width="30" height="8" aria-hidden="true">
                <path
                  d="M0 4H30"
                  stroke="var(--saffron)"
                  strokeWidth="2.4"
                  strokeDasharray="8 5"
                />
              </svg>{" "}
              {t("bench-held")}{" "}
              {setupText(held.view.setup) || t("bench-own-weight")}
            </p>
          )}
          <table className="criteria above-12">
            <tbody>
              <tr>
                <td className="soft w-190">{t("bench-demand")}</td>
                <td>
                  {view ? nameOf("demand-class", view.demand) : ""}
                  {card.activity.length > 0 && (
                    <span className="soft small num">
                      {" "}
                      {card.activity
                        .map(
                          (a) => `${nameOf("muscle", a.muscle)} ${a.percent} %`,
                        )
                        .join(", ")}{" "}
                      ({card.activity[0]?.source}, {t("bench-memory")})
                    </span>
                  )}
                </td>
              </tr>
              {near && near.length > 0 && (
                <tr>
                  <td className="soft">{t("bench-near")}</td>
                  <td>
                    {near.map((c, i) => (
                      <span key={c.id}>
                        {i > 0 && ", "}
                        <Link to={`/library/${c.id}`}>
                          {nameOf("exercise", c.id)}
                        </Link>{" "}
                        <span className="soft num small">
                          {c.peak_nm?.toFixed(1)}
                        </span>
                      </span>
                    ))}
                  </td>
                </tr>
              )}
              <tr>
                <td className="soft">{t("bench-sources")}</td>
                <td className="small soft">
                  {capital(card.source)}.{" "}
                  {view ? t("bench-table", { table: view.table }) : ""}
                </td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </div>
  );
}
