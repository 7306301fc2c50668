import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { useEntry } from "../../app/entries";
import { faultOf, readNumber, valueOf } from "../../app/numbers";
import { capital, nameOf, t } from "../../app/wording";
import { landmarkEntry, takenBack } from "./landmark";
import { useLift } from "./useLift";
import { queryKeys } from "../../app/queryKeys";
import { useKeptWords } from "../../app/useKept";

export type Which = "operated" | "other";
export type Page = Schemas["RangesPage"];
export type Method = Exclude<Schemas["Method"], "simulated">;
export const METHODS: Method[] = ["goniometer", "inclinometer", "by_eye"];
const METHOD_KEY = "ritorno-method";

/** The instrument that was in the hand last. */
export function lastMethod(): Method {
  const last = window.localStorage.getItem(METHOD_KEY);
  return METHODS.find((m) => m === last) ?? "goniometer";
}

/** What was kept in this room, newest first. */
interface Said {
  id: string;
  text: string;
  /** The note of what it is at home, taken back with it. */
  landmark?: string;
}

/** The method that was chosen on this device. */
function useMethod() {
  const [method, setMethod] = useState<Method>(lastMethod);
  const choose = (next: Method) => {
    setMethod(next);
    window.localStorage.setItem(METHOD_KEY, next);
  };
  return [method, choose] as const;
}

/** Digits, then one key for why it stopped: kept, and on to the next dial. */
export function useRanges(episode: string, today: string) {
  const queries = useQueryClient();
  const page = useQuery({
    queryKey: queryKeys.ranges(episode),
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
  const [kept, setKept] = useState<Said[]>([]);
  const [asking, setAsking] = useState(false);
  const [method, setMethod] = useMethod();
  const entries = useEntry(episode);
  const { keep: handIn, setError } = entries;
  const held = useCallback((deg: number) => setTyped(String(deg)), []);
  const { lift, start, clear } = useLift(held, setError);
  const dials = useMemo(() => page.data?.dials ?? [], [page.data]);
  const dial = dials[at];
  const about = dial ? `${dial.quantity}-${dial[which].side}` : "";
  const {
    words: remark,
    say: setRemark,
    sayOf: remarkOn,
  } = useKeptWords("range-remark", about);
  const {
    words: landmark,
    say: setLandmark,
    sayOf: landmarkAt,
  } = useKeptWords("range-landmark", about);
  const rule = { min: dial?.min ?? 0, max: dial?.max ?? 0, decimals: 1 };
  const fault =
    typed === "" || typed === "-"
      ? undefined
      : faultOf(typed, {
          ...rule,
          unit: dial?.unit === "deg" ? "°" : undefined,
        });
  const empty = () => {
    setTyped("");
    setArc([]);
    setAsking(false);
    clear();
  };
  const move = (step: number) => {
    empty();
    setAt((now) => {
      for (let i = 1; i <= dials.length; i++) {
        const next = (now + step * i + dials.length * i) % dials.length;
        const skip =
          dials[next]?.[which].barred ||
          (which === "operated" && dials[next]?.spare);
        if (!skip) return next;
      }
      return now;
    });
  };
  const now = useRef("");
  useEffect(() => {
    now.current = typed;
  });
  const keep = async (stop: Schemas["StopReason"]) => {
    const value = valueOf(typed, rule);
    if (!dial || value == null) return;
    const { side } = dial[which];
    const simulated = lift?.state === "held";
    const measurement: Schemas["Measurement"] = {
      id: newId(),
      quantity: dial.quantity,
      side,
      value,
      stop,
      by: "clinician",
      on: today,
      arc:
        arc.length === 2
          ? { from: Math.min(...arc), to: Math.max(...arc) }
          : null,
      method: simulated ? "simulated" : dial.unit === "deg" ? method : null,
      remark,
    };
    const what = `${capital(nameOf("quantity", dial.quantity))}, ${nameOf("side", side)}`;
    const degrees = `${value}${dial.unit === "deg" ? "°" : ""}`;
    const never = simulated ? ` (${t("simulated-never")})` : "";
    const says = `${what}: ${degrees}, ${nameOf("stop", stop)}${never}`;
    // The next one can be typed while this one is on its way; refused, it stands there again.
    const before = { typed, arc, at, remark, landmark };
    setRemark("");
    setLandmark("");
    move(1);
    const done = await handIn(
      { kind: "measurement", body: measurement, says },
      measurement.id,
      () => {
        if (now.current !== "") return false;
        setAt(before.at);
        setTyped(before.typed);
        setArc(before.arc);
        remarkOn(about, before.remark);
        landmarkAt(about, before.landmark);
        return true;
      },
    );
    if (!done) return;
    setKept((list) => [
      {
        id: measurement.id,
        text: `${says}${done.waits ? ` (${t("waits")})` : ""}`,
      },
      ...list,
    ]);
    if (done.reply !== undefined)
      queries.setQueryData(queryKeys.ranges(episode), done.reply as Page);
    const words = before.landmark.trim();
    // A stand-in shows nobody anything.
    if (words === "" || simulated) return;
    const note = newId();
    const noted = await handIn(landmarkEntry(measurement, words, note), note);
    if (noted)
      setKept((list) =>
        list.map((one) =>
          one.id === measurement.id ? { ...one, landmark: note } : one,
        ),
      );
  };
  const undo = async () => {
    const last = kept[0];
    if (!last) return;
    const done = await handIn(
      {
        kind: "withdrawal",
        body: { entry: last.id, kind: "measurement", reason: "undo" },
        says: last.text,
      },
      "undo",
    );
    if (!done) return;
    setKept((list) => list.slice(1));
    if (last.landmark)
      await handIn(takenBack(last.landmark, last.text), "undo landmark");
  };
  const markPain = () => {
    const value = readNumber(typed);
    if (value == null) return;
    setArc((now) => [...now, value].slice(-2));
    setTyped("");
  };
  return {
    ...entries,
    page,
    dials,
    dial,
    at,
    which,
    typed,
    setTyped,
    fault,
    arc,
    kept,
    asking,
    setAsking,
    method,
    setMethod,
    lift,
    clearLift: clear,
    measure: () => {
      setTyped("");
      if (dial) start(dial, which);
    },
    empty,
    move,
    keep,
    remark,
    setRemark,
    landmark,
    setLandmark,
    undo,
    markPain,
    turn: () => {
      setWhich((w) => (w === "operated" ? "other" : "operated"));
      setAt(0);
      empty();
    },
    pick: (i: number) => {
      setAt(i);
      empty();
    },
  };
}

export type Room = ReturnType<typeof useRanges>;
