import { useCallback, useRef, useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";

type View = Schemas["PlanChart"];
type Line = Schemas["Line"];

/** What lies on the desk: the plan chart as edited, judged by the server at every step, with undo and redo. */
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
          setTook(performance.now() - began);
        }
        return true;
      } catch (e) {
        setError(e);
        return false;
      }
    },
    [episode, rev],
  );
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
    },
    clear: () => {
      turn.current++;
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
