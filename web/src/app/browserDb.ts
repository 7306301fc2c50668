import { type DBSchema, type IDBPDatabase, openDB } from "idb";
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

/** Something typed and not handed in yet. */
export interface Draft {
  key: string;
  text: string;
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
  opened ??= openDB<Shape>("ritorno", 1, {
    upgrade: (d) => {
      d.createObjectStore("outbox", { keyPath: "key" });
      d.createObjectStore("drafts", { keyPath: "key" });
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
