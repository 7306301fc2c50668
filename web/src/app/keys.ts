import { useEffect, useRef } from "react";

/** Whether keys belong to a field that is being typed into. */
export function typing(e: KeyboardEvent): boolean {
  return (
    e.target instanceof HTMLElement &&
    (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) ||
      e.target.isContentEditable ||
      e.target.closest(".ant-modal, .ant-drawer, .ant-select") !== null)
  );
}

/** Whether the element in focus answers to Enter and the space bar itself. */
function answersItself(e: KeyboardEvent): boolean {
  return (
    (e.key === "Enter" || e.key === " ") &&
    e.target instanceof HTMLElement &&
    e.target.closest("button, a, summary, [role=button]") !== null
  );
}

/** Keys that may be held down: they move and never write. */
const HELD = /^(Arrow(Up|Down|Left|Right)|Backspace|Delete)$/;

/**
 * Keys of the whole page. The handler answers true for a key that it took.
 *
 * A key held down speaks once, so that it cannot write twice; what is typed into a field, what opens a menu and what
 * presses a focused button is left alone.
 */
export function useKeys(handler: (e: KeyboardEvent) => boolean | undefined) {
  const newest = useRef(handler);
  useEffect(() => {
    newest.current = handler;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.defaultPrevented || typing(e) || answersItself(e)) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.repeat && !HELD.test(e.key)) return;
      if (newest.current(e)) e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

/** How long `g` waits for the letter of a station. */
const ARMED_MS = 1_500;

/** `g`, then a letter, within a moment: the letter goes to `go`, which answers whether it knew it. */
export function useGoKeys(go: (letter: string) => boolean) {
  const newest = useRef(go);
  useEffect(() => {
    newest.current = go;
  });
  useEffect(() => {
    let armed = 0;
    const onKey = (e: KeyboardEvent) => {
      if (typing(e) || e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      const inTime = armed > 0 && e.timeStamp - armed < ARMED_MS;
      armed = 0;
      if (inTime) {
        if (newest.current(e.key)) {
          e.preventDefault();
          e.stopImmediatePropagation();
        }
      } else if (e.key === "g") {
        armed = e.timeStamp;
        e.stopImmediatePropagation();
      }
    };
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, []);
}
