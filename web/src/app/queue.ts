import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { ApiProblem, type Problem } from "./client";

/**
 * Entries that wait to be sent: kept in the browser's database, sent in order, one at a time.
 * Each carries an id made here, so that one sent twice is stored once.
 */
export interface Waiting {
  key?: number;
  path: string;
  body: unknown;
}

interface Shape extends DBSchema {
  waiting: { key: number; value: Waiting };
}

let opened: Promise<IDBPDatabase<Shape>> | undefined;
const db = () =>
  (opened ??= openDB<Shape>("ritorno-queue", 1, {
    upgrade: (d) =>
      void d.createObjectStore("waiting", {
        keyPath: "key",
        autoIncrement: true,
      }),
  }));

type Listener = (count: number) => void;
const listeners = new Set<Listener>();
async function tell() {
  const count = await (await db()).count("waiting");
  for (const listener of listeners) listener(count);
}

/** Calls back with the number of waiting entries, now and at every change. */
export function watchQueue(listener: Listener): () => void {
  listeners.add(listener);
  void tell();
  return () => void listeners.delete(listener);
}

async function post(entry: Waiting): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(entry.path, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(entry.body),
    });
  } catch {
    throw new ApiProblem({
      type: "urn:ritorno:problem:unreachable",
      title: "",
      status: 0,
      fields: [],
      reasons: [],
    });
  }
  const body: unknown = await response.json().catch(() => undefined);
  if (response.ok) return body;
  const told = body as Problem | undefined;
  throw new ApiProblem(
    told?.type
      ? told
      : {
          type: "about:blank",
          title: response.statusText,
          status: response.status,
          fields: [],
          reasons: [],
        },
  );
}

/**
 * Sends an entry now if nothing waits before it; keeps it when the server cannot be reached.
 * Answers with the server's reply, or with undefined when the entry waits. A refusal is thrown and nothing is kept.
 */
export async function send(path: string, body: unknown): Promise<unknown> {
  const store = await db();
  if ((await store.count("waiting")) === 0) {
    try {
      return await post({ path, body });
    } catch (error) {
      if (!(error instanceof ApiProblem && error.passing)) throw error;
    }
  }
  await store.add("waiting", { path, body });
  await tell();
  return undefined;
}

let draining = false;
/** Sends what waits, oldest first; stops at the first that cannot go out. Answers whether anything was sent. */
export async function drain(): Promise<boolean> {
  if (draining) return false;
  draining = true;
  let sent = false;
  try {
    const store = await db();
    for (;;) {
      const cursor = await store.transaction("waiting").store.openCursor();
      if (!cursor) break;
      const { key, value } = cursor;
      try {
        await post(value);
      } catch (error) {
        // Signed out or away: keep it. Refused for good: it can never be stored, so it leaves the queue and is told.
        if (
          error instanceof ApiProblem &&
          !error.passing &&
          error.problem.status !== 401
        ) {
          window.dispatchEvent(
            new CustomEvent("ritorno-refused", { detail: error.problem }),
          );
        } else break;
      }
      await store.delete("waiting", key);
      sent = true;
      await tell();
    }
  } finally {
    draining = false;
  }
  return sent;
}
