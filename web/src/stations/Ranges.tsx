import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { send } from "../app/queue";
import { capital, clock, nameOf, sentence, t } from "../app/wording";
import { Dial } from "../pictures/Dial";
import { StopMark } from "../pictures/Marks";
import { ExamineTabs } from "./Examine";

type Which = "operated" | "other";
type Page = Schemas["RangesPage"];
type Method = Schemas["Method"];
const METHODS: Method[] = ["goniometer", "inclinometer", "by_eye"];
const METHOD_KEY = "ritorno-method";
const STOPS = [
  ["p", "pain"],
  ["s", "stiff"],
  ["w", "weak"],
  ["x", "slipping"],
  ["l", "at_limit"],
] as const;

/** Digits, then one key for why it stopped: kept, and on to the next dial. */
export function Ranges({ episode, today }: { episode: string; today: string }) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: ["ranges", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/ranges", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [which, setWhich] = useState<Which>("operated");
  const [at, setAt] = useState(0);
  const [typed, setTyped] = useState("");
  const [arc, setArc] = useState<number[]>([]);
  const [kept, setKept] = useState<{ id: string; text: string }[]>([]);
  const [error, setError] = useState<unknown>();
  const [ask4, setAsk4] = useState(false);
  const [method, setMethod] = useState<Method>(
    () =>
      METHODS.find((m) => m === localStorage.getItem(METHOD_KEY)) ??
      "goniometer",
  );
  const [lift, setLift] = useState<{
    angle?: number;
    state: "running" | "held" | "lost";
    faults?: string[];
  }>();
  const source = useRef<EventSource>(undefined);
  const dials = useMemo(() => page.data?.dials ?? [], [page.data]);
  const dial = dials[at];
  const move = useCallback(
    (step: number) => {
      setTyped("");
      setArc([]);
      setAsk4(false);
      setLift(undefined);
      setAt((now) => {
        for (let i = 1; i <= dials.length; i++) {
          const next = (now + step * i + dials.length * i) % dials.length;
          if (
            !dials[next]?.[which].barred &&
            !(which === "operated" && dials[next]?.spare)
          )
            return next;
        }
        return now;
      });
    },
    [dials, which],
  );
  const keep = useCallback(
    async (stop: Schemas["StopReason"]) => {
      if (!dial || typed === "" || typed === "-") return;
      const side = dial[which].side;
      const measurement: Schemas["Measurement"] = {
        id: newId(),
        quantity: dial.quantity,
        side,
        value: Number(typed),
        stop,
        by: "clinician",
        on: today,
        arc:
          arc.length === 2
            ? { from: Math.min(...arc), to: Math.max(...arc) }
            : null,
        method:
          dial.unit === "deg"
            ? lift?.state === "held"
              ? "inclinometer"
              : method
            : null,
      };
      setError(undefined);
      try {
        const answer = (await send(
          `/api/episodes/${episode}/measurements`,
          measurement,
        )) as Page | undefined;
        setKept((list) => [
          {
            id: measurement.id,
            text: `${capital(nameOf("quantity", dial.quantity))}, ${nameOf("side", side)}: ${typed}${dial.unit === "deg" ? "°" : ""}, ${nameOf("stop", stop)}${answer ? "" : ` (${t("waits")})`}`,
          },
          ...list,
        ]);
        if (answer) queries.setQueryData(["ranges", episode], answer);
        for (const key of ["reading", "visit", "story", "program", "day-list"])
          void queries.invalidateQueries({ queryKey: [key] });
        move(1);
      } catch (failure) {
        setError(failure);
      }
    },
    [dial, typed, arc, which, today, episode, queries, move, lift, method],
  );
  const measure = useCallback(() => {
    if (!dial || dial.unit !== "deg" || dial[which].barred || source.current)
      return;
    setTyped("");
    const samples: { t_s: number; angle_deg: number }[] = [];
    // The stand-in lifts near the last measurement, never past today's ceiling.
    const before = dial[which].last?.measurement.value ?? 60;
    const ceiling =
      which === "operated" && dial.ceiling.ceiling.kind === "up_to"
        ? dial.ceiling.ceiling.value
        : Infinity;
    const stream = new EventSource(
      `/api/instruments/stream?device=inclinometer&seed=${Math.floor(Math.random() * 1e6)}&plateau=${Math.round(Math.max(5, Math.min(before + 4, ceiling - 2)))}`,
    );
    source.current = stream;
    const stop = () => {
      stream.close();
      source.current = undefined;
    };
    setLift({ state: "running" });
    stream.addEventListener("batch", (e) => {
      for (const [t_s, angle_deg] of JSON.parse(
        (e as MessageEvent<string>).data,
      ) as [number, number][])
        samples.push({ t_s, angle_deg });
      setLift({
        state: "running",
        angle: Math.round(samples.at(-1)?.angle_deg ?? 0),
      });
    });
    stream.addEventListener("end", () => {
      stop();
      ask(api.POST("/api/instruments/angle", { body: samples })).then(
        (read) => {
          if (read.held_deg != null) setTyped(String(read.held_deg));
          setLift({ state: "held", faults: read.faults.map(sentence) });
        },
        setError,
      );
    });
    const lost = () => {
      if (source.current === stream) {
        stop();
        setLift({ state: "lost" });
      }
    };
    stream.addEventListener("lost", lost);
    stream.onerror = lost;
  }, [dial, which]);
  useEffect(() => () => source.current?.close(), []);
  const undo = useCallback(async () => {
    const last = kept[0];
    if (!last) return;
    try {
      await send(`/api/episodes/${episode}/withdrawals`, {
        entry: last.id,
        kind: "measurement",
        reason: "undo",
      });
      void queries.invalidateQueries({ queryKey: ["ranges", episode] });
      setKept((list) => list.slice(1));
    } catch (failure) {
      setError(failure);
    }
  }, [kept, episode, queries]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (typing || e.ctrlKey || e.metaKey || e.altKey) return;
      const stop = STOPS.find(([key]) => key === e.key);
      if (/^[0-9]$/.test(e.key) && lift) setLift(undefined);
      if (/^[0-9]$/.test(e.key))
        setTyped((now) => (now.length < 4 ? now + e.key : now));
      else if (e.key === "-")
        setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
      else if (e.key === "Backspace") setTyped((now) => now.slice(0, -1));
      else if (e.key === "d") measure();
      else if (e.key === "a" && typed !== "") {
        setArc((now) => [...now, Number(typed)].slice(-2));
        setTyped("");
      } else if (e.key === "Escape") {
        setTyped("");
        setArc([]);
      } else if (e.key === "Enter" && typed !== "") setAsk4(true);
      else if (e.key === "ArrowRight" || e.key === "ArrowDown") move(1);
      else if (e.key === "ArrowLeft" || e.key === "ArrowUp") move(-1);
      else if (e.key === "o") {
        setWhich((w) => (w === "operated" ? "other" : "operated"));
        setAt(0);
        setTyped("");
      } else if (e.key === "u") void undo();
      else if (stop && typed !== "") void keep(stop[1]);
      else return;
      if (!(
        e.key === "Enter" &&
        e.target instanceof HTMLButtonElement &&
        typed === ""
      ))
        e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [typed, keep, move, undo, measure, lift]);
  if (!page.data) return <Pending query={page} />;
  return (
    <>
      <div className="page-head">
        <h1>{t("ranges-title")}</h1>
        <span className="num soft">{clock(page.data.clock)}</span>
        <ExamineTabs episode={episode} at="ranges" />
        <span role="group" aria-label={t("ranges-side")}>
          {(["operated", "other"] as const).map((w) => (
            <button
              key={w}
              className="chip plainchip"

              aria-pressed={which === w}
              onClick={() => {
                setWhich(w);
                setTyped("");
              }}
            >
              {t(`ranges-${w}`, {
                side:
                  w === "operated"
                    ? page.data.side
                    : page.data.side === "left"
                      ? "right"
                      : "left",
              })}
            </button>
          ))}
          <kbd>o</kbd>
        </span>
      </div>
      <ProblemNote error={error} />
      <div
        className={`notice row wrap${ask4 ? " decide" : ""}`}
        id="entry"
        aria-live="polite"
      >
        <span className="entry-name">
          <b>{dial ? capital(nameOf("quantity", dial.quantity)) : ""}</b>
          <br />
          <span className="soft small">
            {dial
              ? `${nameOf("position", dial.position)}, ${nameOf("side", dial[which].side)}`
              : ""}
          </span>
        </span>
        <span
          className="num entry-number"

          id="typed"
        >
          {lift?.state === "running" ? (
            <span className="soft">{lift.angle ?? "…"}°</span>
          ) : (
            typed || "–"
          )}
          {typed && dial?.unit === "deg" ? "°" : ""}
        </span>
        <span className="stops" role="group" aria-label={t("ranges-why")}>
          {STOPS.map(([key, stop]) => (
            <button
              key={key}
              disabled={typed === ""}
              onClick={() => void keep(stop)}
            >
              <svg
                width="18"
                height="18"
                viewBox="-9 -9 18 18"
                aria-hidden="true"
              >
                <StopMark stop={stop} />
              </svg>
              {nameOf("stop", stop)} <kbd>{key}</kbd>
            </button>
          ))}
        </span>
        <span className="soft small" id="arc">
          {arc.length === 0 ? (
            <>
              <kbd>a</kbd> {t("ranges-arc")}
            </>
          ) : (
            t("ranges-arc-kept", { from: arc[0] ?? 0, to: arc[1] ?? "…" })
          )}
        </span>
        <span
          id="method"
          className="small row"

          role="group"
          aria-label={t("ranges-method")}
        >
          <button
            className="plain"
            onClick={measure}
            disabled={lift?.state === "running"}
          >
            <kbd>d</kbd>{" "}
            {t(lift?.state === "running" ? "device-lifting" : "device-lift")}
          </button>{" "}
          <select
            className="native w-128"

            aria-label={t("ranges-method")}
            value={method}
            onChange={(e) => {
              const next = e.target.value as Method;
              setMethod(next);
              localStorage.setItem(METHOD_KEY, next);
            }}
          >
            {METHODS.map((m) => (
              <option key={m} value={m}>
                {nameOf("method", m)}
              </option>
            ))}
          </select>
        </span>
        {lift?.state === "lost" && (
          <span className="bad" role="alert" id="lost">
            {t("device-lost-lift")}
          </span>
        )}
        {lift?.faults?.map((f) => (
          <span key={f} className="bad">
            {f}
          </span>
        ))}
        {ask4 && <span>{t("ranges-say-why")}</span>}
      </div>
      <div className="dials">
        {dials.map((d, i) => {
          const side = d[which];
          const call = which === "operated" ? d.calls[0] : undefined;
          return (
            <button
              key={d.quantity}
              className={`dial${i === at ? " on" : ""}${side.barred ? " barred" : ""}`}
              data-quantity={d.quantity}
              aria-current={i === at}
              disabled={!!side.barred}
              onClick={() => {
                setAt(i);
                setTyped("");
              }}
            >
              <h3>{capital(nameOf("short", d.quantity))}</h3>
              <Dial
                dial={d}
                which={which}
                typed={i === at ? typed : undefined}
                label={`${nameOf("quantity", d.quantity)}: ${side.barred ? t("barred") : (side.last?.measurement.value ?? t("not-measured"))}`}
              />
              <div className="foot">
                {side.barred ? (
                  sentence(side.barred)
                ) : call ? (
                  <span className="bad">{sentence(call)}</span>
                ) : side.last ? (
                  `${t("day-n", { day: side.last.day })}, ${nameOf("stop", side.last.measurement.stop)}${which === "operated" && d.due ? `, ${t("due-again")}` : ""}`
                ) : (
                  t("not-measured")
                )}
                {!side.barred &&
                  which === "operated" &&
                  !call &&
                  (d.spare ? (
                    <span>
                      <br />
                      {sentence(d.spare)}
                    </span>
                  ) : (
                    d.ceiling.ceiling.kind !== "free" && (
                      <span>
                        <br />
                        {sentence(d.ceiling.reason)}
                      </span>
                    )
                  ))}
              </div>
            </button>
          );
        })}
      </div>
      <section className="block above-18">
        <h2>
          {t("ranges-kept")}{" "}
          {kept.length > 0 && (
            <Button size="small" onClick={() => void undo()}>
              {t("undo")} <kbd>u</kbd>
            </Button>
          )}
        </h2>
        <ol id="kept" className="indented">
          {kept.map((k) => (
            <li key={k.id}>{k.text}</li>
          ))}
        </ol>
        {kept.length === 0 && <p className="soft">{t("ranges-how")}</p>}
      </section>
    </>
  );
}
