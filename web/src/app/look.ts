import { useSyncExternalStore } from "react";

/** By day or by lamplight. */
export type Look = "light" | "dark";

const KEY = "ritorno-look";
const system = window.matchMedia("(prefers-color-scheme: dark)");
const listeners = new Set<() => void>();

/** What was chosen here, else what the machine prefers. */
function current(): Look {
  const chosen = window.localStorage.getItem(KEY);
  return chosen === "light" || chosen === "dark"
    ? chosen
    : system.matches
      ? "dark"
      : "light";
}

function show() {
  document.documentElement.dataset["look"] = current();
  listeners.forEach((tell) => tell());
}

export function choose(look: Look) {
  window.localStorage.setItem(KEY, look);
  show();
}

system.addEventListener("change", show);
show();

export function useLook(): Look {
  return useSyncExternalStore((tell) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  }, current);
}
