import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { useEntry } from "../../app/entries";
import { faultOf, type Typed, useBounds, valueOf } from "../../app/numbers";
import { nameOf, t } from "../../app/wording";
import { opposite } from "../examine/words";
import { queryKeys } from "../../app/queryKeys";
import { useKeptWords } from "../../app/useKept";

type Kept = Schemas["PushKept"];

/** What the simulated dynamometer of the demo sends, or the trace of an earlier push. */
export interface Live {
  samples: [number, number][];
  state: "running" | "end" | "lost";
  measurement?: Schemas["TraceMeasurement"] | undefined;
}

/** A usual push in newtons, where nothing was measured yet: only the simulated device uses it. */
const USUAL_N = 90;

/** Everything the room does: a number typed or a trace listened to, kept, taken back. */
export function usePushes(episode: string, today: string) {
  const queries = useQueryClient();
  const room = useQuery({
    queryKey: queryKeys.strength(episode),
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
  const [lever, setLever] = useState<Record<string, Typed>>({});
  const [pain, setPain] = useState<number>();
  const [live, setLive] = useState<Live>();
  const [kept, setKept] = useState<string[]>([]);
  const entries = useEntry(episode);
  const { keep: handIn, setError } = entries;
  const source = useRef<EventSource>(undefined);
  useEffect(() => () => source.current?.close(), []);
  const bounds = useBounds();
  const tests = room.data?.page.tests ?? [];
  const test = tests[at];
  const affected = room.data?.side ?? "right";
  const side = other ? opposite(affected) : affected;
  const about = `${test?.test ?? ""}-${side}`;
  const said = useKeptWords("push-remark", about);
  const remark = said.words;
  const barred = test && !other ? test.barred : [];
  const usual = test?.lever_m == null ? null : test.lever_m * 100;
  const leverCm = test && test.test in lever ? lever[test.test] : usual;
  const rule = bounds("force_n") ?? { min: 0, max: 0, decimals: 1 };
  const force = valueOf(typed, rule);
  const fault = typed === "" ? undefined : faultOf(typed, rule);

  const now = useRef("");
  useEffect(() => {
    now.current = typed;
  });
  const keep = async (
    what: Schemas["Force"],
    says: string,
  ): Promise<Kept | undefined> => {
    // A lever that cannot be read is put right first: nothing is kept with another one.
    if (!test || leverCm === undefined) return undefined;
    const id = newId();
    const before = { typed, pain, remark };
    setTyped("");
    said.say("");
    setPain(undefined);
    const entry = {
      kind: "push" as const,
      body: {
        id,
        test: test.test,
        side,
        lever_m: leverCm === null ? null : Math.round(leverCm * 10) / 1000,
        pain: pain ?? null,
        on: today,
        force: what,
        remark,
      },
      says: `${nameOf("strength", test.test)}, ${nameOf("side", side)}: ${says}`,
    };
    const done = await handIn(entry, id, () => {
      // A trace cannot be typed again: it stays in the outbox.
      if (what.kind !== "typed" || now.current !== "") return false;
      setTyped(before.typed);
      setPain(before.pain);
      said.sayOf(about, before.remark);
      return true;
    });
    if (!done) return undefined;
    setKept((all) => [id, ...all]);
    const reply = done.reply as Kept | undefined;
    if (reply) queries.setQueryData(queryKeys.strength(episode), reply.room);
    return reply;
  };
  const keepTyped = () => {
    if (force != null && barred.length === 0)
      void keep({ kind: "typed", peak_n: force }, `${force} N`);
  };
  const listen = () => {
    if (!test || source.current || barred.length > 0) return;
    setError(undefined);
    const samples: [number, number][] = [];
    // The stand-in pushes near the last mean, or at a usual level for the position.
    const before = other ? test.other : test.affected;
    const level = before?.mean_n ?? test.other?.mean_n ?? USUAL_N;
    const seed = Math.floor(Math.random() * 1e6);
    const stream = new EventSource(
      `/api/instruments/stream?device=dynamometer&seed=${seed}&plateau=${Math.round(level)}`,
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
      const trace: Schemas["Force"] = {
        kind: "trace",
        device: "simulated-dynamometer",
        samples: samples.map(([t_s, force_n]) => ({ t_s, force_n })),
      };
      void keep(trace, t("simulated-never")).then((reply) =>
        setLive({
          samples: [...samples],
          state: "end",
          measurement: reply?.measurement ?? undefined,
        }),
      );
    });
    stream.addEventListener("lost", () => stop("lost"));
    stream.onerror = () => {
      if (source.current === stream) stop("lost");
    };
  };
  const again = useCallback(
    async (trial: string) => {
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
    },
    [episode, setError],
  );
  const undo = async () => {
    const id = kept[0];
    if (!id) return;
    const done = await handIn(
      {
        kind: "withdrawal",
        body: { entry: id, kind: "strength_trial", reason: "undo" },
        says: t("undo"),
      },
      "undo",
    );
    if (done) setKept((all) => all.filter((k) => k !== id));
  };
  const pick = (i: number) => {
    setAt(i);
    setTyped("");
    setLive(undefined);
  };
  return {
    ...entries,
    room,
    tests,
    test,
    at,
    affected,
    other,
    side,
    barred,
    typed,
    setTyped,
    fault,
    leverCm,
    setLever: (cm: Typed) =>
      test && setLever((all) => ({ ...all, [test.test]: cm })),
    pain,
    setPain,
    remark,
    setRemark: said.say,
    live,
    kept,
    keepTyped,
    listen,
    again,
    undo,
    pick,
    move: (by: number) =>
      pick((at + by + tests.length) % Math.max(1, tests.length)),
    turn: () => {
      setOther((now) => !now);
      setLive(undefined);
    },
  };
}

export type Pushes = ReturnType<typeof usePushes>;
