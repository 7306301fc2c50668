import { newId } from "./client";

/** Where a window remembers its own id, so that it is the same one after a reload. */
const KEY = "ritorno-window";
const lockOf = (window: string) => `ritorno-window-${window}`;

/** Holds the lock of this window for as long as the page lives; false where another window has it. */
function hold(window: string): Promise<boolean> {
  return new Promise((done) => {
    void navigator.locks
      .request(lockOf(window), { ifAvailable: true }, (lock) => {
        done(lock !== null);
        return lock === null ? undefined : new Promise(() => undefined);
      })
      .catch(() => done(true));
  });
}

async function name(): Promise<string> {
  const before = window.sessionStorage.getItem(KEY);
  // A window that was copied brings its original's id along: the original keeps it.
  const own = before !== null && (await holds(before)) ? before : await fresh();
  window.sessionStorage.setItem(KEY, own);
  return own;
}

/** A browser without locks cannot tell windows apart: each page load is one. */
const holds = (id: string) =>
  "locks" in navigator ? hold(id) : Promise.resolve(false);

async function fresh(): Promise<string> {
  const id = newId();
  await holds(id);
  return id;
}

let known: Promise<string> | undefined;

/** The id of this window. */
export function thisWindow(): Promise<string> {
  known ??= name().catch(() => newId());
  return known;
}

/** Ids of the windows that are open now, this one included. */
export async function openWindows(): Promise<Set<string>> {
  if (!("locks" in navigator)) return new Set();
  const { held } = await navigator.locks.query();
  const prefix = lockOf("");
  return new Set((held ?? []).map((l) => (l.name ?? "").replace(prefix, "")));
}

const channel =
  "BroadcastChannel" in globalThis
    ? new BroadcastChannel("ritorno-drafts")
    : undefined;

/** Tells the other windows that what they show of this may have changed. */
export function tellWindows(of: string) {
  channel?.postMessage(of);
}

/** Calls back when another window changed something. */
export function hearWindows(listener: (of: string) => void): () => void {
  const heard = (e: MessageEvent) => listener(String(e.data));
  channel?.addEventListener("message", heard);
  return () => channel?.removeEventListener("message", heard);
}
