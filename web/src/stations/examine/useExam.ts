import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { api, ask, newId } from "../../app/client";
import { useEntry } from "../../app/entries";
import { valueOf } from "../../app/numbers";
import { nameOf } from "../../app/wording";
import {
  type Answer,
  answerText,
  type Card,
  type Finding,
  type Item,
  opposite,
  type Page,
} from "./words";
import { queryKeys } from "../../app/queryKeys";
import { useKeptWords } from "../../app/useKept";

/** Optional tests shown in the short plan. */
const SHORT = 6;

/** The plan in the groups the page shows. */
function grouped(plan: Item[], full: boolean) {
  const take = (place: Item["place"]) => plan.filter((i) => i.place === place);
  const optional = take("optional").filter((i) => full || i.worth);
  return {
    core: take("core"),
    optional: full ? optional : optional.slice(0, SHORT),
    done: take("done"),
    later: [...take("not_now"), ...take("too_provoking")],
    barred: take("barred"),
  };
}

/** Cards of the tests and what is on record: loaded, grouped, and the test that is being answered. */
function usePlan(episode: string) {
  const cards = useQuery({
    queryKey: queryKeys.tests,
    queryFn: () => ask(api.GET("/api/tests")),
    staleTime: Infinity,
  });
  const page = useQuery({
    queryKey: queryKeys.reading(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [full, setFull] = useState(false);
  const byId = useMemo(
    () => new Map((cards.data ?? []).map((c) => [c.id, c])),
    [cards.data],
  );
  const plan = useMemo(() => page.data?.view.plan ?? [], [page.data]);
  const groups = useMemo(() => grouped(plan, full), [plan, full]);
  const list = useMemo(
    () => [...groups.core, ...groups.optional, ...groups.done],
    [groups],
  );
  return { cards, page, full, setFull, byId, plan, groups, list };
}

/** Everything the examination does: one key an answer, and on to the next. */
export function useExam(episode: string, today: string) {
  const queries = useQueryClient();
  const known = usePlan(episode);
  const { page, byId, plan, list } = known;
  const [other, setOther] = useState(false);
  // A test that was looked for from another page stands in the address.
  const [asked] = useSearchParams();
  const [at, setAt] = useState<string | undefined>(
    asked.get("test") ?? undefined,
  );
  const [typed, setTyped] = useState("");
  const [variant, setVariant] = useState(0);
  const [kept, setKept] = useState<
    { id: string; test: string; waits: boolean }[]
  >([]);
  const entries = useEntry(episode);
  const { keep: handIn } = entries;
  const sequence = useRef({ sent: 0, shown: 0, pressed: 0 });
  const waiting = new Set(kept.filter((k) => k.waits).map((k) => k.test));
  const open = list.filter((i) => i.place !== "done" && !waiting.has(i.test));
  const current = byId.get(
    at && plan.some((i) => i.test === at)
      ? at
      : (open[0]?.test ?? list[0]?.test ?? ""),
  );
  const affected = page.data?.story.side ?? "right";
  const side = other ? opposite(affected) : affected;
  const {
    words: remark,
    say: setRemark,
    sayOf: remarkOn,
  } = useKeptWords("exam-remark", `${current?.id ?? ""}-${side}`);
  const of = useCallback(
    (test: string, which: string) =>
      page.data?.history.filter((f) => f.test === test && f.side === which) ??
      [],
    [page.data],
  );

  const go = useCallback((test: string | undefined) => {
    setAt(test);
    setTyped("");
    setVariant(0);
  }, []);
  const step = (by: number) => {
    const i = list.findIndex((x) => x.test === current?.id);
    go(list[(i + by + list.length) % list.length]?.test);
  };
  const now = useRef("");
  useEffect(() => {
    now.current = typed;
  });
  const keep = async (test: Card, answer: Answer) => {
    const id = newId();
    const number = ++sequence.current.sent;
    sequence.current.pressed = performance.now();
    const body: Omit<Finding, "rater"> & { rater: string } = {
      id,
      test: test.id,
      side,
      answer,
      variant: test.variants[variant] ?? null,
      on: today,
      rater: id,
      remark,
    };
    const words = remark;
    setRemark("");
    const i = open.findIndex((x) => x.test === test.id);
    go((open[i + 1] ?? open.find((x) => x.test !== test.id))?.test);
    setKept((all) => [{ id, test: test.id, waits: true }, ...all]);
    const done = await handIn(
      {
        kind: "finding",
        body,
        says: `${nameOf("test", test.id)}: ${answerText(answer, test.unit)}`,
      },
      id,
      () => {
        if (now.current !== "") return false;
        go(test.id);
        remarkOn(`${test.id}-${side}`, words);
        // What was typed stands there again, to be put right.
        if (answer.kind === "number") setTyped(String(answer.value));
        return true;
      },
    );
    if (!done) {
      setKept((all) => all.filter((k) => k.id !== id));
      return;
    }
    setKept((all) =>
      all.map((k) => (k.id === id ? { ...k, waits: done.waits } : k)),
    );
    // Answers may come back out of order: an older one never replaces a newer.
    if (done.reply === undefined || number < sequence.current.shown) return;
    sequence.current.shown = number;
    queries.setQueryData(queryKeys.reading(episode), done.reply as Page);
  };
  const undo = async () => {
    const last = kept[0];
    if (!last) return;
    const done = await handIn(
      {
        kind: "withdrawal",
        body: { entry: last.id, kind: "finding", reason: "undo" },
        says: nameOf("test", last.test),
      },
      "undo",
    );
    if (!done) return;
    setKept((all) => all.filter((k) => k.id !== last.id));
    go(last.test);
  };
  const number =
    current &&
    valueOf(typed, {
      min: current.min ?? -Infinity,
      max: current.max ?? Infinity,
      decimals: 1,
    });
  const enterNumber = () => {
    if (current && number != null)
      void keep(current, { kind: "number", value: number });
  };
  return {
    ...known,
    ...entries,
    other,
    setOther,
    typed,
    setTyped,
    remark,
    setRemark,
    variant,
    setVariant,
    kept,
    waiting,
    open,
    current,
    affected,
    side,
    of,
    go,
    step,
    keep,
    undo,
    enterNumber,
    /** Why what is typed cannot be kept. */
    unreadable: typed !== "" && typed !== "-" && number === undefined,
    sequence,
  };
}

export type Exam = ReturnType<typeof useExam>;
