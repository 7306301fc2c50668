import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { sentence, shortDate, t } from "../app/wording";
import { PullCurve } from "../pictures/PullCurve";

type Level = Schemas["ElasticLevel"];
const ROWS = 8;
const ELONGATIONS = [25, 50, 75, 100, 125, 150, 200, 250];

/** A clinic's own levels: measured points, their fit with its error, and how far they drifted. */
export function Elastics({ lead, today }: { lead: boolean; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: ["elastics"],
    queryFn: () => ask(api.GET("/api/elastics")),
  });
  const [at, setAt] = useState(1);
  const [label, setLabel] = useState("");
  const [points, setPoints] = useState<[string, string][]>(() =>
    ELONGATIONS.map((e) => [String(e), ""]),
  );
  const [error, setError] = useState<unknown>();
  const [told, setTold] = useState("");
  const [pulling, setPulling] = useState<{ row: number; force: number }>();
  const source = useRef<EventSource>(undefined);
  useEffect(() => () => source.current?.close(), []);
  if (!page.data) return <Pending query={page} />;
  const level = page.data.find((l) => l.level === at);
  if (!level) return null;
  const choose = (next: Level) => {
    setAt(next.level);
    setLabel(next.label);
    setTold("");
    setError(undefined);
    setPoints(ELONGATIONS.map((e) => [String(e), ""]));
  };
  const typed = points
    .filter(([, f]) => f.trim() !== "")
    .map(([e, f]) => ({
      elongation_pct: Number(e.replace(",", ".")),
      force_n: Number(f.replace(",", ".")),
    }));
  const type = (row: number, column: 0 | 1, text: string) =>
    setPoints((all) =>
      all.map((p, i) =>
        i === row ? (column === 0 ? [text, p[1]] : [p[0], text]) : p,
      ),
    );
  const gauge = (row: number) => {
    const samples: { t_s: number; force_n: number }[] = [];
    const pct = Number(points[row]?.[0] ?? 100);
    // The stand-in pulls about as hard as this level does at this length, a little off as real rubber is.
    const near =
      level.drawn.find((d) => (d[0] ?? 0) >= pct)?.[1] ?? level.at_100_n;
    const stream = new EventSource(
      `/api/instruments/stream?device=dynamometer&seed=${at * 100 + row}&plateau=${(near * (1.04 + 0.01 * at)).toFixed(1)}`,
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
        (r) => type(row, 1, r.mean_n.toFixed(1)),
        setError,
      );
    });
    stream.addEventListener("lost", stop);
    stream.onerror = stop;
  };
  const keep = async () => {
    setError(undefined);
    try {
      queries.setQueryData(
        ["elastics"],
        await ask(
          api.POST("/api/elastics", {
            body: { id: newId(), level: at, label, points: typed, on: today },
          }),
        ),
      );
      void queries.invalidateQueries({ queryKey: ["exercises"] });
      setTold(t("elastic-kept"));
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
        <table className="criteria levels">
          <thead>
            <tr>
              <th>{t("elastic-level")}</th>
              <th>{t("elastic-at-100")}</th>
              <th>{t("elastic-measured")}</th>
            </tr>
          </thead>
          <tbody>
            {page.data.map((l) => (
              <tr key={l.level} className={l.level === at ? "on" : ""}>
                <td className="w-auto">
                  <button className="plain" onClick={() => choose(l)}>
                    <b className="num">{l.level}</b> {l.label}
                  </button>
                </td>
                <td className="num">
                  {l.at_100_n.toFixed(1)} N
                  {l.fit ? (
                    <span className="soft small">
                      {" "}
                      ±{" "}
                      {(l.drawn.find((d) => d[0] === 100)?.[2] ?? 0).toFixed(1)}
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
              <input
                className="native"
                maxLength={40}
                value={label}
                onChange={(e) => setLabel(e.target.value)}
              />
            </label>
            <table>
              <thead>
                <tr>
                  <th>%</th>
                  <th>N</th>
                  <th />
                </tr>
              </thead>
              <tbody>
                {points.map(([e, f], i) => (
                  <tr key={i}>
                    <td>
                      <input
                        className="native num"
                        aria-label={t("elastic-elongation", { n: i + 1 })}
                        value={e}
                        onChange={(x) => type(i, 0, x.target.value)}
                      />
                    </td>
                    <td>
                      <input
                        className="native num"
                        id={`pull-${i}`}
                        aria-label={t("elastic-force", { n: i + 1 })}
                        value={
                          pulling?.row === i ? pulling.force.toFixed(1) : f
                        }
                        onChange={(x) => type(i, 1, x.target.value)}
                      />
                    </td>
                    <td>
                      <button
                        className="plain small"
                        disabled={!!pulling}
                        onClick={() => gauge(i)}
                      >
                        {t(
                          pulling?.row === i
                            ? "elastic-pulling"
                            : "elastic-gauge",
                        )}
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Button
              type="primary"
              id="keep-elastic"
              disabled={
                typed.length === 0 ||
                typed.some(
                  (p) => !Number.isFinite(p.elongation_pct + p.force_n),
                )
              }
              onClick={() => void keep()}
            >
              {t("elastic-keep")}
            </Button>{" "}
            <span role="status">{told}</span>
            <p className="soft small">{t("elastic-how", { rows: ROWS })}</p>
          </div>
        )}
      </div>
    </section>
  );
}
