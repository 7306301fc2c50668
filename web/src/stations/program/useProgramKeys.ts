import { useEffect, useRef } from "react";
import { typing, useShortcuts } from "../../app/keys";
import type { Draft } from "./draft";

interface Hands {
  draft: Draft;
  selected: string | undefined;
  setSelected: (line: string | undefined) => void;
  onZoom: () => void;
  /** Days that a line is moved by at its beginning and its end. */
  move: (line: string, from: number, to: number) => void;
  /** Steps up or down its ladder. */
  rung: (line: string, step: number) => void;
}

const KEYS = [
  "line-week",
  "line-end",
  "line-rung",
  "line-remove",
  "line-undo",
  "zoom",
] as const;

/** Whether the line itself has the focus: a key that deletes is never taken from anywhere else on the page. */
function onLine(e: KeyboardEvent): boolean {
  return (
    e.target instanceof Element && e.target.closest(".chart-line") !== null
  );
}

/**
 * The plan chart is edited from the keyboard: the chosen line moves, stretches, climbs, goes; every step can be
 * taken back.
 */
export function useProgramKeys(hands: Hands) {
  const { draft, selected, setSelected, onZoom, move, rung } = hands;
  useShortcuts((e) => {
    if (e.key === "z") {
      onZoom();
      return true;
    }
    if (!selected) return false;
    const days =
      (e.key === "ArrowRight" ? 1 : e.key === "ArrowLeft" ? -1 : 0) * 7;
    if (days !== 0) move(selected, e.shiftKey ? 0 : days, days);
    else if (e.key === "+" || e.key === "=") rung(selected, 1);
    else if (e.key === "-") rung(selected, -1);
    else if (
      (e.key === "Delete" || e.key === "Backspace") &&
      onLine(e) &&
      !e.repeat
    ) {
      setSelected(undefined);
      void draft.remove(selected);
    } else if (e.key === "Escape") setSelected(undefined);
    else return false;
    return true;
  }, KEYS);
  const desk = useRef(draft);
  useEffect(() => {
    desk.current = draft;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e) || e.altKey || !(e.ctrlKey || e.metaKey)) return;
      const key = e.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      e.preventDefault();
      void (key === "y" || e.shiftKey
        ? desk.current.redo()
        : desk.current.undo());
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
