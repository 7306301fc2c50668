import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import { InTurn } from "../app/InTurn";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useEffect, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { SaveMark, useSaver } from "../app/entries";
import { type Faulty, useFaulty } from "../app/faulty";
import { useMe } from "../app/me";
import { NumberField } from "../app/NumberField";
import { useReady } from "../app/useReady";
import { Pending, ProblemNote } from "../app/parts";
import { sentence, shortDate, t } from "../app/wording";
import { PullCurve } from "../pictures/PullCurve";
import { queryKeys } from "../app/queryKeys";
import { useKept } from "../app/useKept";
import { useTold } from "../app/useTold";

type Level = Schemas["ElasticLevel"];
const ELONGATIONS = [25, 50, 75, 100, 125, 150, 200, 250];

/** A measured point; `invented` when the simulated gauge of a demo pulled it. */
interface Point {
  elongation_pct: number | null;
  force_n: number | null;
  invented: boolean;
}
const EMPTY: Point[] = ELONGATIONS.map((elongation_pct) => ({
  elongation_pct,
  force_n: null,
  invented: false,
}));

const NOT_MEASURED: { label: string | undefined; points: Point[] } = {
  label: undefined,
  points: EMPTY,
};

/** A clinic's own levels: measured points, their fit with its error, and how far they drifted. */
export function Elastics({ lead, today }: { lead: boolean; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: queryKeys.elastics,
    queryFn: () => ask(api.GET("/api/elastics")),
  });
  const [at, setAt] = useState(1);
  const [{ label: named, points }, setForm] = useKept(
    `elastic-${at}`,
    NOT_MEASURED,
  );
  const saver = useSaver();
  const fields = useFaulty();
  const [error, setError] = useState<unknown>();
  const [tell, place] = useTold();
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const level = page.data.find((l) => l.level === at);
  if (!level) return null;
  const label = named ?? level.label;
  const choose = (next: Level) => {
    setAt(next.level);
    setError(undefined);
    saver.touch();
  };
  const typed = points.flatMap((p) =>
    p.elongation_pct === null || p.force_n === null
      ? []
      : [{ elongation_pct: p.elongation_pct, force_n: p.force_n }],
  );
  const set = (row: number, part: Partial<Point>) => {
    saver.touch();
    setForm((now) => ({
      ...now,
      points: now.points.map((p, i) => (i === row ? { ...p, ...part } : p)),
    }));
  };
  const keep = async () => {
    if (!fields.clear()) return;
    setError(undefined);
    try {
      await saver.run(async () => {
        queries.setQueryData(
          queryKeys.elastics,
          await ask(
            api.POST("/api/elastics", {
              body: {
                id: newId(),
                level: at,
                label,
                points: typed,
                on: today,
                simulated: points.some((p) => p.force_n !== null && p.invented),
              },
            }),
          ),
        );
        void queries.invalidateQueries({ queryKey: queryKeys.exercises });
        setForm(NOT_MEASURED);
        tell(t("elastic-kept"));
      });
    } catch (failure) {
      setError(failure);
    }
  };
  return (
    <section className="block" id="elastics">
      <div className="page-head">
        <h1>{t("elastic-title")}</h1>
        <span className="soft">{t("elastic-lead")}</span>
      </div>
      <ProblemNote error={error} />
      <div className="elastic">
        <InTurn>
          <Levels levels={page.data} at={at} onChoose={choose} />
          <div>
            <PullCurve
              level={level}
              typed={typed}
              width={520}
              height={280}
              label={t("elastic-curve", { level: at })}
            />
            {level.minds.map((m) => (
              <p key={sentence(m)} className="small soft flush">
                {sentence(m)}
              </p>
            ))}
            {level.fit && (
              <p className="small soft num flush">
                {t("elastic-fit", {
                  rms: level.fit.rms_n.toFixed(2),
                  to: Math.round(level.fit.measured_to_pct),
                })}
              </p>
            )}
          </div>
          {lead && (
            <div className="points">
              <label className="field">
                {t("elastic-label")}
                <Input
                  maxLength={40}
                  value={label}
                  onChange={(e) =>
                    setForm((now) => ({ ...now, label: e.target.value }))
                  }
                />
              </label>
              <Points
                key={at}
                level={level}
                points={points}
                set={set}
                take={fields.take}
                onError={setError}
              />
              <Button
                type="primary"
                id="keep-elastic"
                disabled={typed.length === 0 || saver.busy}
                onClick={() => void keep()}
              >
                {t("elastic-keep")}
              </Button>{" "}
              <SaveMark state={saver.state} />
              {place}
              <p className="soft small">
                {t("elastic-how", { rows: ELONGATIONS.length })}
              </p>
            </div>
          )}
        </InTurn>
      </div>
    </section>
  );
}

/** The clinic's levels with their pull, when they were measured and how far they drifted. */
function Levels({
  levels,
  at,
  onChoose,
}: {
  levels: Level[];
  at: number;
  onChoose: (level: Level) => void;
}) {
  return (
    <table className="criteria levels">
      <thead>
        <tr>
          <th>{t("elastic-level")}</th>
          <th>{t("elastic-at-100")}</th>
          <th>{t("elastic-measured")}</th>
        </tr>
      </thead>
      <tbody>
        {levels.map((l) => (
          <tr key={l.level} className={l.level === at ? "on" : ""}>
            <td className="w-auto">
              <button className="plain" onClick={() => onChoose(l)}>
                <b className="num">{l.level}</b> {l.label}
              </button>
            </td>
            <td className="num">
              {l.at_100_n.toFixed(1)} N
              {l.fit ? (
                <span className="soft small">
                  {" "}
                  ± {(l.drawn.find((d) => d[0] === 100)?.[2] ?? 0).toFixed(1)}
                </span>
              ) : (
                ""
              )}
            </td>
            <td className="small">
              {l.measured_on ? (
                shortDate(l.measured_on)
              ) : (
                <span className="soft">{t("elastic-assumed")}</span>
              )}
              {l.minds.some((m) => m.rule === "elastic-simulated") && (
                <b className="tag-simulated">{t("simulated-never")}</b>
              )}
              {l.drift_pct != null && (
                <span
                  className={
                    Math.abs(l.drift_pct) > 10 ? "bad num" : "soft num"
                  }
                >
                  , {l.drift_pct > 0 ? "+" : "−"}
                  {Math.abs(l.drift_pct).toFixed(0)} %
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Lengths and forces, typed; in a demo the simulated gauge pulls too, and says that it invents. */
function Points({
  level,
  points,
  set,
  take,
  onError,
}: {
  level: Level;
  points: Point[];
  set: (row: number, part: Partial<Point>) => void;
  take: Faulty["take"];
  onError: (error: unknown) => void;
}) {
  const demo = useMe()?.demo ?? false;
  const [pulling, setPulling] = useState<{ row: number; force: number }>();
  const source = useRef<EventSource>(undefined);
  useEffect(() => () => source.current?.close(), []);
  const gauge = (row: number) => {
    const samples: { t_s: number; force_n: number }[] = [];
    const pct = points[row]?.elongation_pct ?? 100;
    // The stand-in pulls about as hard as this level does at this length, a little off as real rubber is.
    const near =
      level.drawn.find((d) => (d[0] ?? 0) >= pct)?.[1] ?? level.at_100_n;
    const stream = new EventSource(
      `/api/instruments/stream?device=dynamometer&seed=${level.level * 100 + row}&plateau=${(near * (1.04 + 0.01 * level.level)).toFixed(1)}`,
    );
    source.current = stream;
    setPulling({ row, force: 0 });
    stream.addEventListener("batch", (e) => {
      for (const [t_s, force_n] of JSON.parse(
        (e as MessageEvent<string>).data,
      ) as [number, number][])
        samples.push({ t_s, force_n });
      setPulling({ row, force: samples.at(-1)?.force_n ?? 0 });
    });
    const stop = () => {
      stream.close();
      source.current = undefined;
      setPulling(undefined);
    };
    stream.addEventListener("end", () => {
      stop();
      ask(api.POST("/api/instruments/force", { body: samples })).then(
        (r) =>
          set(row, { force_n: Number(r.mean_n.toFixed(1)), invented: true }),
        onError,
      );
    });
    stream.addEventListener("lost", stop);
    stream.onerror = stop;
  };
  return (
    <table>
      <tbody>
        {points.map((p, i) => (
          <tr key={i}>
            <td>
              <NumberField
                bare
                rule="elongation_pct"
                label={t("elastic-elongation", { n: i + 1 })}
                value={p.elongation_pct}
                onValue={take(`e${i}`, (elongation_pct) =>
                  set(i, { elongation_pct }),
                )}
              />
            </td>
            <td>
              <NumberField
                bare
                id={`pull-${i}`}
                rule="point_n"
                label={t("elastic-force", { n: i + 1 })}
                value={
                  pulling?.row === i
                    ? Number(pulling.force.toFixed(1))
                    : p.force_n
                }
                disabled={pulling?.row === i}
                onValue={take(`f${i}`, (force_n) =>
                  set(i, { force_n, invented: false }),
                )}
              />
            </td>
            {demo && (
              <td>
                <button
                  className="plain small"
                  disabled={!!pulling}
                  onClick={() => gauge(i)}
                >
                  {t(pulling?.row === i ? "elastic-pulling" : "elastic-gauge")}
                </button>
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
