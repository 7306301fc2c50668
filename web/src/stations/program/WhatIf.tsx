import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { Pending, ProblemNote } from "../../app/parts";
import { capital, nameOf, t, withUnit } from "../../app/wording";
import { PlanChart } from "../../pictures/PlanChart";

/** Another school, a tighter limit, fewer minutes, a fortnight missed: both programs side by side, the differences marked. */
export function WhatIf({
  episode,
  onClose,
  width,
}: {
  episode: string;
  onClose: () => void;
  width: number;
}) {
  const story = useQuery({
    queryKey: ["story", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [schools, setSchools] = useState<Record<string, string>>({});
  const [minutes, setMinutes] = useState("");
  const [missed, setMissed] = useState("");
  const [limit, setLimit] = useState({
    quantity: "passive-elevation",
    ceiling: "",
    until: "",
  });
  const [both, setBoth] = useState<Schemas["WhatIf"]>();
  const [error, setError] = useState<unknown>();
  if (!story.data) return <Pending query={story} />;
  const run = async () => {
    setError(undefined);
    try {
      setBoth(
        await ask(
          api.POST("/api/episodes/{id}/program/what-if", {
            params: { path: { id: episode } },
            body: {
              schools,
              modifiers: [],
              minutes_per_day: minutes === "" ? null : Number(minutes),
              missed_days: missed === "" ? null : Number(missed),
              limits:
                limit.ceiling === ""
                  ? []
                  : [
                      {
                        id: newId(),
                        quantity: limit.quantity,
                        ceiling: Number(limit.ceiling),
                        floor: null,
                        until_day:
                          limit.until === "" ? null : Number(limit.until),
                        release: null,
                        ended_on: null,
                      },
                    ],
            },
          }),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  const half = Math.floor((width - 58) / 2);
  const value = (m: Schemas["Moved"], v: number | null | undefined) =>
    v == null
      ? m.kind === "ceiling"
        ? t("ceiling-gone")
        : "–"
      : m.kind === "ceiling"
        ? v === 0
          ? t("barred")
          : withUnit(m.what, v)
        : t("week-day-short", { week: Math.floor(v / 7), day: v });
  const name = (m: Schemas["Moved"]) =>
    m.kind === "ceiling"
      ? `${capital(nameOf("short", m.what))}, ${t("day-n", { day: m.day ?? 0 })}`
      : m.kind === "sling"
        ? t("chart-nights")
        : m.kind === "gate"
          ? t("gate-title", { gate: m.what })
          : nameOf("phase", m.what);
  const changed = new Set((both?.exercises ?? []).map((d) => d.exercise));
  return (
    <section className="whatif" id="what-if">
      <div className="page-head">
        <h2>{t("what-if-title")}</h2>
        <span className="soft">{t("what-if-lead")}</span>
        <span className="right">
          <Button onClick={onClose}>{t("what-if-close")}</Button>
        </span>
      </div>
      <ProblemNote error={error} />
      <div className="whatif-form">
        {story.data.questions.slice(0, 6).map((q) => (
          <label className="field" key={q.id}>
            {nameOf("question", q.id)}
            <select
              className="native"
              id={`what-${q.id}`}
              value={schools[q.id] ?? q.holds}
              onChange={(e) =>
                setSchools({ ...schools, [q.id]: e.target.value })
              }
            >
              {q.schools.map((s) => (
                <option key={s.id} value={s.id}>
                  {nameOf("school", s.id)}
                </option>
              ))}
            </select>
          </label>
        ))}
        <label className="field">
          {t("minutes-per-day")}
          <input
            className="native num"
            id="what-minutes"
            inputMode="numeric"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
          />
        </label>
        <label className="field">
          {t("what-missed")}
          <input
            className="native num"
            id="what-missed"
            inputMode="numeric"
            placeholder="14"
            value={missed}
            onChange={(e) => setMissed(e.target.value)}
          />
        </label>
        <label className="field">
          {t("what-limit")}
          <select
            className="native"
            value={limit.quantity}
            onChange={(e) => setLimit({ ...limit, quantity: e.target.value })}
          >
            {story.data.dials.map((d) => (
              <option key={d.quantity} value={d.quantity}>
                {capital(nameOf("short", d.quantity))}
              </option>
            ))}
          </select>
        </label>
        <label className="field">
          {t("what-ceiling")}
          <input
            className="native num"
            id="what-ceiling"
            inputMode="decimal"
            value={limit.ceiling}
            onChange={(e) => setLimit({ ...limit, ceiling: e.target.value })}
          />
        </label>
        <label className="field">
          {t("limit-until-day")}
          <input
            className="native num"
            inputMode="numeric"
            value={limit.until}
            onChange={(e) => setLimit({ ...limit, until: e.target.value })}
          />
        </label>
        <Button type="primary" id="what-run" onClick={() => void run()}>
          {t("what-run")}
        </Button>
      </div>
      {both && (
        <>
          {both.moved.length === 0 && both.exercises.length === 0 ? (
            <p id="what-same">{t("what-same")}</p>
          ) : (
            <table className="criteria moved" id="what-moved">
              <thead>
                <tr>
                  <th>{t("what-moves")}</th>
                  <th>{t("what-as-is")}</th>
                  <th>{t("what-variant")}</th>
                </tr>
              </thead>
              <tbody>
                {both.moved.map((m, i) => (
                  <tr key={i}>
                    <td>{name(m)}</td>
                    <td className="num">{value(m, m.base)}</td>
                    <td className="num">
                      <b>{value(m, m.variant)}</b>
                    </td>
                  </tr>
                ))}
                {both.exercises.length > 0 && (
                  <tr>
                    <td>{t("what-exercises")}</td>
                    <td className="num">
                      {
                        both.exercises.filter((d) => d.change === "removed")
                          .length
                      }{" "}
                      {t("change-removed")}
                    </td>
                    <td className="num">
                      <b>
                        {
                          both.exercises.filter((d) => d.change === "added")
                            .length
                        }{" "}
                        {t("change-added")},{" "}
                        {
                          both.exercises.filter((d) => d.change === "moved")
                            .length
                        }{" "}
                        {t("change-moved")}
                      </b>
                    </td>
                  </tr>
                )}
              </tbody>
            </table>
          )}
          <div className="side-by-side">
            {(
              [
                ["base", t("what-as-is")],
                ["variant", t("what-variant")],
              ] as const
            ).map(([key, title]) => (
              <div key={key}>
                <h3>{title}</h3>
                <div className="chart-wrap">
                  <PlanChart
                    view={both[key]}
                    selected={undefined}
                    onSelect={() => undefined}
                    window={[
                      0,
                      Math.max(both.base.end_day, both.variant.end_day),
                    ]}
                    width={half}
                    small
                    marked={changed}
                  />
                </div>
              </div>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
