import {
  type DBSchema,
  type IDBPDatabase,
  type IDBPObjectStore,
  openDB,
} from "idb";
import type { Problem } from "./client";

/** What kind of entry waits; the server's batch takes the same words. */
export type EntryKind =
  | "measurement"
  | "finding"
  | "exam_note"
  | "push"
  | "sheet"
  | "score"
  | "attestation"
  | "log"
  | "note"
  | "decision"
  | "gate_pass"
  | "contact"
  | "appointment"
  | "care"
  | "withdrawal";

/** An entry that has not been answered yet. */
export interface Waiting {
  /** Made here, so that one kept twice is one. */
  key: string;
  /** Order in which they were made. */
  turn: number;
  /** Who made it: nobody else sends it. */
  user: string;
  episode: string;
  /** Whom it is about, to be read in the outbox. */
  patient: string;
  kind: EntryKind;
  gate?: string | undefined;
  body: unknown;
  /** What it says, in words. */
  says: string;
  since: string;
  /** Why the server refused it for good, where it did: it waits for a person now. */
  refused?: Problem | undefined;
}

/** Something typed and not handed in yet, as one window holds it. */
export interface Draft {
  /** What it belongs to and the window that holds it, so that no window writes over another's. */
  key: string;
  /** What it belongs to: who, which form, about whom. */
  of: string;
  window: string;
  /** What was typed. */
  body: unknown;
  /** What the form showed when typing began, and its revision. */
  base?: unknown;
  rev?: number | undefined;
  /** Fields that somebody else changed too and that nobody has settled. */
  clashes?: unknown;
  since: string;
}

interface Shape extends DBSchema {
  outbox: { key: string; value: Waiting };
  drafts: { key: string; value: Draft };
}

/** The tables this page needs; in memory where the browser denies its database. */
export interface Shelf<T extends { key: string }> {
  all(): Promise<T[]>;
  put(value: T): Promise<void>;
  remove(key: string): Promise<void>;
}

let opened: Promise<IDBPDatabase<Shape>> | undefined;

/** One database of the browser for everything that must outlive the page; the patient's page will use it too. */
function database(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>("ritorno", 2, {
    upgrade: async (d, from, _to, work) => {
      if (from < 1) {
        d.createObjectStore("outbox", { keyPath: "key" });
        d.createObjectStore("drafts", { keyPath: "key" });
      } else if (from < 2) await heldByWindows(work.objectStore("drafts"));
    },
    // An older page that stays open in another window lets go, so that the newer one need not wait.
    blocking: () => {
      void opened?.then((db) => db.close());
      opened = undefined;
    },
    terminated: () => {
      opened = undefined;
    },
  });
  opened.catch(() => {
    opened = undefined;
  });
  return opened;
}

/** Drafts were texts once, one of each; now each says which window holds it. */
async function heldByWindows(
  drafts: IDBPObjectStore<
    Shape,
    ("outbox" | "drafts")[],
    "drafts",
    "versionchange"
  >,
) {
  for (const old of await drafts.getAll()) {
    const { key, text, since } = old as unknown as {
      key: string;
      text: string;
      since: string;
    };
    await drafts.delete(key);
    await drafts.put({
      key: draftKey(key, "before"),
      of: key,
      window: "before",
      body: text,
      since,
    });
  }
}

/** Where a window's draft lies. */
export function draftKey(of: string, window: string): string {
  return `${of}\n${window}`;
}

let denied = false;
/** True once the browser has refused its database: what waits then lives only as long as the page. */
export function databaseDenied(): boolean {
  return denied;
}

/**
 * A table that falls back to memory, entry by entry, so that a refused database loses nothing while the page is
 * open.
 */
function shelf<K extends "outbox" | "drafts">(
  name: K,
): Shelf<Shape[K]["value"]> {
  type Value = Shape[K]["value"];
  const memory = new Map<string, Value>();
  const attempt = async <R>(
    work: (db: IDBPDatabase<Shape>) => Promise<R>,
  ): Promise<R | undefined> => {
    try {
      return await work(await database());
    } catch {
      denied = true;
      return undefined;
    }
  };
  return {
    async all() {
      const kept = (await attempt((db) => db.getAll(name))) ?? [];
      const own = [...memory.values()];
      return [...kept.filter((v) => !memory.has(v.key)), ...own] as Value[];
    },
    async put(value) {
      const done = await attempt((db) => db.put(name, value));
      if (done === undefined) memory.set(value.key, value);
      else memory.delete(value.key);
    },
    async remove(key) {
      memory.delete(key);
      await attempt((db) => db.delete(name, key));
    },
  };
}

export const outboxShelf = shelf("outbox");
export const draftShelf = shelf("drafts");
