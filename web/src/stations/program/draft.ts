import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { useDraft as useKept, useDraftKey } from "../../app/drafts";

type View = Schemas["PlanChart"];
type Line = Schemas["Line"];

/**
 * What lies on the desk: the plan chart as edited, judged by the server at every step, with undo and redo. Its
 * lines are
 * kept in the browser, and lie there again after a reload.
 */
export function useDraft(
  episode: string,
  saved: View | undefined,
  rev: number,
) {
  const [draft, setDraft] = useState<View>();
  const [past, setPast] = useState<Line[][]>([]);
  const [future, setFuture] = useState<Line[][]>([]);
  const [error, setError] = useState<unknown>();
  const [took, setTook] = useState<number>();
  const turn = useRef(0);
  const recorded = useMemo(
    () => saved?.lines.map((l) => l.line) ?? [],
    [saved],
  );
  const key = useDraftKey("program");
  // Before the record is there, nothing can be laid on top of it.
  const kept = useKept<Line[]>(saved ? key : "", {
    value: recorded,
    rev,
  });
  const { set: hold } = kept;
  const view = draft ?? saved;
  const lines = view?.lines.map((l) => l.line) ?? [];
  const judge = useCallback(
    async (next: Line[]): Promise<boolean> => {
      setError(undefined);
      const mine = ++turn.current,
        began = performance.now();
      try {
        const checked = await ask(
          api.POST("/api/episodes/{id}/program/check", {
            params: { path: { id: episode } },
            body: { rev, lines: next },
          }),
        );
        // An answer that was overtaken by a later edit is not shown.
        if (mine === turn.current) {
          setDraft(checked);
          hold(next);
          setTook(performance.now() - began);
        }
        return true;
      } catch (e) {
        setError(e);
        return false;
      }
    },
    [episode, rev, hold],
  );
  // What was left on the desk is judged anew: the day, the limits, the record may have moved on.
  const waits = saved !== undefined && kept.dirty && draft === undefined;
  const found = useRef<Line[]>(undefined);
  useEffect(() => {
    if (!waits || found.current === kept.value) return;
    found.current = kept.value;
    void judge(kept.value);
  }, [waits, kept.value, judge]);
  const change = async (next: Line[]) => {
    const before = lines;
    if (await judge(next)) {
      setPast((p) => [...p, before]);
      setFuture([]);
    }
  };
  const step = async (
    from: Line[][],
    setFrom: (l: Line[][]) => void,
    setTo: React.Dispatch<React.SetStateAction<Line[][]>>,
  ) => {
    const target = from.at(-1);
    if (!target) return;
    const before = lines;
    if (await judge(target)) {
      setFrom(from.slice(0, -1));
      setTo((p) => [...p, before]);
    }
  };
  return {
    view,
    lines,
    draft,
    /** The same lines as the browser keeps them, beside what other windows hold. */
    kept: {
      ...kept,
      take: async (other: Parameters<typeof kept.take>[0]) => {
        await kept.take(other);
        await judge(other.value);
      },
      settle: (...[clash, theirs]: Parameters<typeof kept.settle>) => {
        kept.settle(clash, theirs);
        if (theirs) void judge(clash.theirs as Line[]);
      },
      discard: () => {
        kept.discard();
        setDraft(undefined);
        setPast([]);
        setFuture([]);
      },
    },
    error,
    setError,
    took,
    past,
    future,
    change,
    undo: () => step(past, setPast, setFuture),
    redo: () => step(future, setFuture, setPast),
    /** A whole proposal takes the desk; what was there can be brought back. */
    lay: (next: View) => {
      setPast((p) => [...p, lines]);
      setFuture([]);
      setDraft(next);
      hold(next.lines.map((l) => l.line));
    },
    clear: () => {
      turn.current++;
      kept.discard();
      setDraft(undefined);
      setPast([]);
      setFuture([]);
    },
    edit: (id: string, part: Partial<Line>) =>
      change(
        lines.map((l) => (l.id === id ? { ...l, ...part, by_hand: true } : l)),
      ),
    add: (line: Omit<Line, "id" | "by_hand">) => {
      const id = newId();
      void change([...lines, { ...line, id, by_hand: true }]);
      return id;
    },
    remove: (id: string) => change(lines.filter((l) => l.id !== id)),
  };
}

export type Draft = ReturnType<typeof useDraft>;
