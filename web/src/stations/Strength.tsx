import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { send } from "../app/queue";
import { attr, clock, nameOf, sentence, t } from "../app/wording";
import { Trace } from "../pictures/Trace";
import { ExamineTabs } from "./Examine";

type Kept = Schemas["PushKept"];
type Set = Schemas["StrengthSet"];
type Live = {
  samples: [number, number][];
  state: "running" | "end" | "lost";
  measurement?: Schemas["TraceMeasurement"] | undefined;
};

const n = (value: number | null | undefined, digits = 0) =>
  value == null ? "–" : value.toFixed(digits);

/** Three pushes a side, typed or measured; mean, steadiness, moment, symmetry. */
export function Strength({
  episode,
  today,
}: {
  episode: string;
  today: string;
}) {
  const queries = useQueryClient();
  const key = ["strength", episode];
  const room = useQuery({
    queryKey: key,
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/strength", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [at, setAt] = useState(0);
  const [other, setOther] = useState(false);
  const [typed, setTyped] = useState("");
  const [lever, setLever] = useState<Record<string, string>>({});
  const [pain, setPain] = useState<number>();
  const [live, setLive] = useState<Live>();
  const [kept, setKept] = useState<string[]>([]);
  const [error, setError] = useState<unknown>();
  const source = useRef<EventSource>(undefined);
  const tests = room.data?.page.tests ?? [];
  const test = tests[at];
  const affected = room.data?.side ?? "right";
  const side = other ? (affected === "left" ? "right" : "left") : affected;
  const leverM = test
    ? (lever[test.test] ??
      (test.lever_m != null ? String(Math.round(test.lever_m * 100)) : ""))
    : "";
  const barred = test && !other ? test.barred : [];

  const keep = useCallback(
    async (force: Schemas["Force"]): Promise<Kept | undefined> => {
      if (!test) return undefined;
      const id = newId();
      setError(undefined);
      try {
        const answer = (await send(`/api/episodes/${episode}/strength`, {
          id,
          test: test.test,
          side,
          lever_m: leverM === "" ? null : Number(leverM) / 100,
          pain: pain ?? null,
          on: today,
          force,
        })) as Kept | undefined;
        setKept((all) => [id, ...all]);
        setTyped("");
        setPain(undefined);
        if (answer) queries.setQueryData(["strength", episode], answer.room);
        return answer;
      } catch (failure) {
        setError(failure);
        return undefined;
      }
    },
    [test, episode, side, leverM, pain, today, queries],
  );

  const listen = useCallback(() => {
    if (!test || source.current || barred.length > 0) return;
    setError(undefined);
    const samples: [number, number][] = [];
    // The stand-in pushes near the last mean, or at a usual level for the position.
    const before = other ? test.other : test.affected;
    const level = before?.mean_n ?? test.other?.mean_n ?? 90;
    const stream = new EventSource(
      `/api/instruments/stream?device=dynamometer&seed=${Math.floor(Math.random() * 1e6)}&plateau=${Math.round(level)}`,
    );
    source.current = stream;
    const stop = (state: "end" | "lost") => {
      stream.close();
      source.current = undefined;
      setLive({ samples: [...samples], state });
    };
    setLive({ samples: [], state: "running" });
    stream.addEventListener("batch", (e) => {
      samples.push(
        ...(JSON.parse((e as MessageEvent<string>).data) as [number, number][]),
      );
      setLive({ samples: [...samples], state: "running" });
    });
    stream.addEventListener("end", () => {
      stop("end");
      void keep({
        kind: "trace",
        device: "simulated-dynamometer",
        samples: samples.map(([t_s, force_n]) => ({ t_s, force_n })),
      }).then((answer) =>
        setLive({
          samples: [...samples],
          state: "end",
          measurement: answer?.measurement ?? undefined,
        }),
      );
    });
    stream.addEventListener("lost", () => stop("lost"));
    stream.onerror = () => {
      if (source.current === stream) stop("lost");
    };
  }, [test, other, barred.length, keep]);
  useEffect(() => () => source.current?.close(), []);

  const again = async (trial: string) => {
    try {
      const trace = await ask(
        api.GET("/api/episodes/{id}/strength/{trial}/trace", {
          params: { path: { id: episode, trial } },
        }),
      );
      setLive({
        samples: trace.samples.map((s) => [s.t_s, s.force_n]),
        state: "end",
        measurement: trace.measurement,
      });
    } catch (failure) {
      setError(failure);
    }
  };
  const undo = useCallback(async () => {
    const id = kept[0];
    if (!id) return;
    try {
      await send(`/api/episodes/${episode}/withdrawals`, {
        entry: id,
        kind: "strength_trial",
        reason: "undo",
      });
      setKept((all) => all.filter((k) => k !== id));
      void queries.invalidateQueries({ queryKey: ["strength", episode] });
    } catch (failure) {
      setError(failure);
    }
  }, [kept, episode, queries]);
  const move = useCallback(
    (by: number) => {
      setAt((now) => (now + by + tests.length) % Math.max(1, tests.length));
      setTyped("");
      setLive(undefined);
    },
    [tests.length],
  );

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      if (/^[0-9.]$/.test(e.key))
        setTyped((now) => (now.length < 5 ? now + e.key : now));
      else if (e.key === "Backspace") setTyped((now) => now.slice(0, -1));
      else if (e.key === "Enter" && typed !== "" && barred.length === 0)
        void keep({ kind: "typed", peak_n: Number(typed) });
      else if (e.key === "d") listen();
      else if (e.key === "o") {
        setOther((now) => !now);
        setLive(undefined);
      } else if (e.key === "u") void undo();
      else if (e.key === "ArrowDown") move(1);
      else if (e.key === "ArrowUp") move(-1);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [typed, barred.length, keep, listen, undo, move]);

  if (!room.data || !test) return <Pending query={room} />;
  const { page } = room.data;
  const mine = other ? test.other : test.affected;
  const shown = mine?.on === today ? mine : undefined;
  return (
    <div id="strength">
      <div className="page-head">
        <h1>{t("strength-title")}</h1>
        <span className="soft num">{clock(room.data.clock)}</span>
        <ExamineTabs episode={episode} at="strength" />
      </div>
      <ProblemNote error={error} />
      <div className="push">
        <section className="sheet" id="push" data-test={test.test}>
          <p className="soft small flush">
            {nameOf("position", test.position)} ·{" "}
            <b className="strong-ink">{nameOf("side", side)}</b>{" "}
            <button className="plain" onClick={() => setOther((now) => !now)}>
              <kbd>o</kbd> {t("other-side-key")}
            </button>
          </p>
          <h2 className="size-23">{nameOf("strength", test.test)}</h2>
          <p className="soft">{attr(`strength-${test.test}`, "pad")}</p>
          {barred.length > 0 ? (
            <div className="notice stop">
              <b>{t("examine-barred")}</b>
              <ul>
                {barred.map((r) => (
                  <li key={sentence(r)}>{sentence(r)}</li>
                ))}
              </ul>
              <p className="small">{t("strength-gentle")}</p>
            </div>
          ) : (
            <>
              <div className="pushrow">
                <button
                  className="answer number"
                  onClick={() => {
                    if (typed !== "")
                      void keep({ kind: "typed", peak_n: Number(typed) });
                  }}
                >
                  <span className="num" id="typed">
                    {typed === "" ? "–" : typed}
                  </span>{" "}
                  <span className="soft">N</span> <kbd>Enter</kbd>
                </button>
                <button
                  className="answer"
                  id="device"
                  disabled={live?.state === "running"}
                  onClick={listen}
                >
                  <kbd>d</kbd> {t("device-push")}
                </button>
                {test.lever_m != null && (
                  <label className="field">
                    {t("lever")}
                    <input
                      className="native num w-84"
                      inputMode="numeric"

                      value={leverM}
                      onChange={(e) =>
                        setLever({ ...lever, [test.test]: e.target.value })
                      }
                    />
                  </label>
                )}
              </div>
              <div className="pains" role="group" aria-label={t("push-pain")}>
                <span className="soft small">{t("push-pain")}</span>
                {Array.from({ length: 11 }, (_, i) => (
                  <button
                    key={i}
                    aria-pressed={pain === i}
                    onClick={() => setPain(pain === i ? undefined : i)}
                  >
                    {i}
                  </button>
                ))}
              </div>
              {live && (
                <Trace
                  samples={live.samples}
                  measurement={live.measurement}
                  aim={shown?.mean_n}
                  width={560}
                  height={210}
                  label={t("trace-label")}
                />
              )}
              {live?.state === "lost" && (
                <div className="notice stop" role="alert" id="lost">
                  {t("device-lost")}
                </div>
              )}
              {live?.measurement && (
                <p className="num" id="measured">
                  <b>{n(live.measurement.peak_n)} N</b>{" "}
                  {t("trace-read", {
                    mean: n(live.measurement.mean_n),
                    seconds: n(live.measurement.time_to_peak_s, 1),
                    percent: n(live.measurement.variation_pct, 1),
                  })}
                </p>
              )}
              {live?.measurement?.faults.map((f) => (
                <p key={sentence(f)} className="bad">
                  <b>{sentence(f)}</b> {t("trace-not-used")}
                </p>
              ))}
            </>
          )}
          <div className="trials">
            {((shown ?? mine)?.trials ?? []).map((x, i) => (
              <span key={x.id} className={x.sound ? "" : "unsound"}>
                {i + 1}: <b className="num">{n(x.peak_n)} N</b>
                {x.device ? (
                  <button
                    className="plain small"
                    title={t("trace-again")}
                    onClick={() => void again(x.id)}
                  >
                    {" "}
                    {nameOf("device", x.device)}
                  </button>
                ) : null}
                {x.pain != null ? ` ${t("with-pain", { pain: x.pain })}` : ""}
              </span>
            ))}
          </div>
          {shown?.minds.map((m) => (
            <p key={sentence(m)} className="small soft">
              {sentence(m)}
            </p>
          ))}
          {kept.length > 0 && (
            <p className="flush">
              <button className="plain" onClick={() => void undo()}>
                <kbd>u</kbd> {t("undo")}
              </button>
            </p>
          )}
        </section>
        <section>
          <table className="criteria strengths">
            <thead>
              <tr>
                <th>{t("position-and-move")}</th>
                <th>{nameOf("side", affected)}</th>
                <th>
                  {nameOf("side", affected === "left" ? "right" : "left")}
                </th>
                <th>{t("symmetry")}</th>
              </tr>
            </thead>
            <tbody>
              {tests.map((x, i) => (
                <tr
                  key={x.test}
                  className={i === at ? "on" : ""}
                  data-test={x.test}
                >
                  <td>
                    <button
                      className="plain"
                      onClick={() => {
                        setAt(i);
                        setTyped("");
                        setLive(undefined);
                      }}
                    >
                      {nameOf("strength", x.test)}
                    </button>
                    {x.barred.length > 0 && (
                      <span className="soft small">
                        <br />
                        {t("barred")}
                      </span>
                    )}
                  </td>
                  <Cell set={x.affected} />
                  <Cell set={x.other} />
                  <td className="num">
                    {x.symmetry_pct == null ? (
                      <span className="soft">–</span>
                    ) : (
                      <>
                        <b>{n(x.symmetry_pct)} %</b>
                        <svg
                          width="84"
                          height="9"
                          aria-hidden="true"
                          className="drawn"
                        >
                          <rect width="84" height="9" fill="var(--sunk)" />
                          <rect
                            width={Math.min(84, x.symmetry_pct * 0.7)}
                            height="9"
                            fill={
                              x.symmetry_pct >= page.symmetry_goal_pct
                                ? "var(--moss)"
                                : "var(--saffron)"
                            }
                          />
                          <path
                            d={`M${page.symmetry_goal_pct * 0.7} 0V9`}
                            stroke="var(--text)"
                            strokeWidth="1.5"
                          />
                        </svg>
                      </>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="num above-12" id="ratios">
            {t("er-ir-side")} <b>{n(page.er_ir_side[0], 2)}</b>{" "}
            <span className="soft">
              ({t("other-short")} {n(page.er_ir_side[1], 2)})
            </span>
            , {t("er-ir-90")} <b>{n(page.er_ir_90[0], 2)}</b>{" "}
            <span className="soft">
              ({t("other-short")} {n(page.er_ir_90[1], 2)})
            </span>
          </p>
          <p className="soft small">
            {t("strength-norms", { goal: page.symmetry_goal_pct })}{" "}
            {room.data.mass_kg == null ? t("strength-no-mass") : ""}
          </p>
          <Button size="small" onClick={() => move(1)}>
            {t("next-position")} <kbd>↓</kbd>
          </Button>
        </section>
      </div>
    </div>
  );
}

function Cell({ set }: { set: Set | null | undefined }) {
  if (!set?.mean_n) return <td className="soft">–</td>;
  return (
    <td className="num">
      <b>{n(set.mean_n)} N</b>
      {set.variation_pct != null ? (
        <span className="soft small"> ± {n(set.variation_pct)} %</span>
      ) : (
        <span className="soft small">
          {" "}
          {t("of-three", { count: set.trials.filter((x) => x.sound).length })}
        </span>
      )}
      <br />
      <span className="soft small">
        {set.moment_nm != null ? `${n(set.moment_nm, 1)} N·m` : ""}
        {set.per_mass_n_kg != null ? `, ${n(set.per_mass_n_kg, 2)} N/kg` : ""}
      </span>
    </td>
  );
}
