import { useEffect, useRef, useState, useSyncExternalStore } from "react";

/** Whether keys belong to a field that is being typed into. */
export function typing(e: KeyboardEvent): boolean {
  return (
    e.target instanceof HTMLElement &&
    (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) ||
      e.target.isContentEditable ||
      e.target.closest(
        ".ant-modal, .ant-drawer, .ant-select, .ant-picker-dropdown, .ant-popover, [role=listbox]",
      ) !== null)
  );
}

/** Whether the element in focus answers to the key itself: Enter and the space bar press it, arrows move inside it. */
function answersItself(e: KeyboardEvent): boolean {
  const presses = e.key === "Enter" || e.key === " ";
  if (!(e.target instanceof HTMLElement)) return false;
  return e.key.startsWith("Arrow")
    ? e.target.closest("[role=tablist], [role=radiogroup], [role=slider]") !==
        null
    : presses && e.target.closest("button, a, summary, [role=button]") !== null;
}

/** Something the whole page may read, with those who want to know of changes. */
function shared<T>(first: T) {
  let value = first;
  const listeners = new Set<() => void>();
  return {
    get: () => value,
    set: (next: T) => {
      value = next;
      listeners.forEach((tell) => tell());
    },
    listen: (tell: () => void) => {
      listeners.add(tell);
      return () => void listeners.delete(tell);
    },
  };
}

const SWITCH = "ritorno-keys";
const on = shared(window.localStorage.getItem(SWITCH) !== "off");

/** Turns keys that act without Ctrl or Alt on or off on this machine: voice control and a cat both press them. */
export function switchKeys(next: boolean) {
  window.localStorage.setItem(SWITCH, next ? "on" : "off");
  document.documentElement.dataset["keys"] = next ? "on" : "off";
  on.set(next);
}
document.documentElement.dataset["keys"] = on.get() ? "on" : "off";

export function useKeysOn(): boolean {
  return useSyncExternalStore(on.listen, on.get);
}

const hints = shared<readonly string[]>([]);

/** What the keys of the present screen do, as ids of sentences; shown under `?` on every screen. */
export function useHints(): readonly string[] {
  return useSyncExternalStore(hints.listen, hints.get);
}

/** Keys that may be held down: they move and never write. */
const HELD = /^(Arrow(Up|Down|Left|Right)|Backspace|Delete)$/;

/**
 * Keys of the whole page. The handler answers true for a key that it took; `says` are the ids of the sentences
 * that tell
 * what they do.
 *
 * A key held down speaks once, so that it cannot write twice; what is typed into a field, what opens a menu and what
 * presses a focused button is left alone. Switched off, none of them does anything.
 */
export function useShortcuts(
  handler: (e: KeyboardEvent) => boolean | undefined,
  says: readonly string[] = [],
) {
  const newest = useRef(handler);
  useEffect(() => {
    newest.current = handler;
  });
  const [mine] = useState(says);
  useEffect(() => {
    hints.set([...hints.get(), ...mine]);
    return () => hints.set(hints.get().filter((h) => !mine.includes(h)));
  }, [mine]);
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!on.get() || e.defaultPrevented || typing(e) || answersItself(e))
        return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (e.repeat && !HELD.test(e.key)) return;
      if (newest.current(e)) e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

/** A place that `g` and a letter lead to. */
export interface Place {
  letter: string;
  /** Id of its name. */
  name: string;
  to: string;
}

const places = shared<readonly Place[]>([]);

/** Adds places for as long as the screen is shown; a letter that is there already is taken over. */
export function useGoPlaces(here: readonly Place[]) {
  const said = JSON.stringify(here);
  useEffect(() => {
    const mine = JSON.parse(said) as Place[];
    const before = places.get();
    const letters = new Set(mine.map((p) => p.letter));
    places.set([...mine, ...before.filter((p) => !letters.has(p.letter))]);
    return () => places.set(before);
  }, [said]);
}

export function usePlaces(): readonly Place[] {
  return useSyncExternalStore(places.listen, places.get);
}

/** How long `g` waits for the letter of a station. */
const ARMED_MS = 1_500;
const armed = shared(false);

/** True while `g` waits for its letter. */
export function useArmed(): boolean {
  return useSyncExternalStore(armed.listen, armed.get);
}

/** `g`, then a letter, within a moment: shown while it waits, forgotten after it. */
export function useGoKeys(go: (to: string) => void) {
  const newest = useRef(go);
  useEffect(() => {
    newest.current = go;
  });
  useEffect(() => {
    let timer = 0;
    const rest = () => {
      window.clearTimeout(timer);
      armed.set(false);
    };
    const onKey = (e: KeyboardEvent) => {
      if (!on.get() || typing(e) || e.ctrlKey || e.metaKey || e.altKey)
        return rest();
      if (e.repeat || e.key === "Shift") return;
      if (armed.get()) {
        rest();
        const place = places.get().find((p) => p.letter === e.key);
        if (place) newest.current(place.to);
        // A letter that leads nowhere is not handed on to the page: it was not meant for it.
        if (place || e.key.length === 1) {
          e.preventDefault();
          e.stopImmediatePropagation();
        }
      } else if (e.key === "g") {
        armed.set(true);
        timer = window.setTimeout(rest, ARMED_MS);
        e.stopImmediatePropagation();
      }
    };
    window.addEventListener("keydown", onKey, true);
    return () => {
      rest();
      window.removeEventListener("keydown", onKey, true);
    };
  }, []);
}
