import {
  databaseDenied,
  type EntryKind,
  outboxShelf,
  type Waiting,
} from "./browserDb";
import { ApiProblem, newId, type Problem } from "./client";
import { t } from "./wording";

/** Entries the server takes at once. */
const BATCH = 100;
/** A server that has not answered by then is treated as away; the entry waits. */
export const PATIENCE_MS = 8_000;

/** Where an entry goes when it goes alone, and is answered with the page it belongs to. */
const ADDRESS: Record<EntryKind, string> = {
  measurement: "measurements",
  finding: "findings",
  exam_note: "exam-notes",
  push: "strength",
  sheet: "outcomes",
  score: "scores",
  attestation: "attestations",
  log: "log",
  note: "notes",
  decision: "decisions",
  gate_pass: "gates",
  contact: "contacts",
  appointment: "appointments",
  care: "care",
  withdrawal: "withdrawals",
};

export interface NewEntry {
  episode: string;
  kind: EntryKind;
  body: unknown;
  /** What it says, for the outbox. */
  says: string;
  gate?: string;
}

/** Who is signed in, and whose page is open. */
const here = { user: "", patient: "" };
export function signedInAs(user: string) {
  here.user = user;
  void tell();
}
export function pageOf(patient: string) {
  here.patient = patient;
}

export interface Outbox {
  /** What waits of the person who is signed in, oldest first. */
  mine: Waiting[];
  /** How many entries of other people wait on this machine. */
  others: number;
  denied: boolean;
}

type Listener = (box: Outbox) => void;
const listeners = new Set<Listener>();

/** What waits, oldest first. */
async function waiting(): Promise<Waiting[]> {
  return (await outboxShelf.all()).sort((a, b) => a.turn - b.turn);
}

async function tell() {
  const all = await waiting();
  const mine = all.filter((w) => w.user === here.user);
  const box = {
    mine,
    others: all.length - mine.length,
    denied: databaseDenied(),
  };
  for (const listener of listeners) listener(box);
}

/** Calls back with what waits, now and at every change. */
export function watchOutbox(listener: Listener): () => void {
  listeners.add(listener);
  void tell();
  return () => void listeners.delete(listener);
}

const away = (status: number, title = t("problem-unreachable")): Problem => ({
  type: "urn:ritorno:problem:unreachable",
  title,
  status,
  fields: [],
  reasons: [],
});

/** Whether the last attempt found nobody who answered. */
let unanswered = false;

/** Posts once and waits only so long. Throws what the server said, or that it cannot be reached. */
async function post(path: string, body: unknown): Promise<unknown> {
  const patience = new AbortController();
  const timer = window.setTimeout(() => patience.abort(), PATIENCE_MS);
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: {
        "content-type": "application/json",
        "x-ritorno-made-by": here.user,
      },
      body: JSON.stringify(body),
      signal: patience.signal,
    });
    const answer: unknown = await response.json().catch(() => undefined);
    // An answer that is no answer of ours came from something in between.
    if (response.ok && answer !== undefined) {
      unanswered = false;
      return answer;
    }
    const told = answer as Problem | undefined;
    throw new ApiProblem(
      told?.type ? told : away(response.ok ? 502 : response.status),
    );
  } catch (error) {
    const problem =
      error instanceof ApiProblem ? error : new ApiProblem(away(0));
    unanswered = problem.passing;
    throw problem;
  } finally {
    window.clearTimeout(timer);
  }
}

let turn = 0;

/** An entry as it lies in the outbox: by whom, about whom, in which order. */
function waits(entry: NewEntry): Waiting {
  turn = Math.max(Date.now(), turn + 1);
  return {
    ...entry,
    gate: entry.gate,
    key: newId(),
    turn,
    user: here.user,
    patient: here.patient,
    since: new Date().toISOString(),
  };
}

/** What became of an entry: stored, with the server's reply where it went alone, or kept here and waiting. */
export interface Kept {
  reply: unknown;
  waits: boolean;
}
const WAITS: Kept = { reply: undefined, waits: true };

/**
 * Hands in an entry: kept in the browser before the first attempt, and until the server has answered.
 *
 * A refusal is thrown and stays in the outbox until the page that made the entry, and still holds what was typed, has
 * told it.
 */
export async function handIn(entry: NewEntry): Promise<Kept> {
  const kept = waits(entry);
  // Before it lies there: what waits is sent every few seconds, and this one goes alone.
  sending.add(kept.key);
  await outboxShelf.put(kept);
  const before = (await waiting()).some(
    (w) => w.turn < kept.turn && w.user === kept.user && !w.refused,
  );
  if (before) {
    sending.delete(kept.key);
    await tell();
    const sent = drain();
    // It goes after those before it. While nobody answers, nobody waits for that.
    if (unanswered) return WAITS;
    await sent;
    return became(kept.key);
  }
  try {
    const gate = entry.gate === undefined ? "" : `/${entry.gate}/pass`;
    const reply = await post(
      `/api/episodes/${entry.episode}/${ADDRESS[entry.kind]}${gate}`,
      entry.body,
    );
    await outboxShelf.remove(kept.key);
    return { reply, waits: false };
  } catch (error) {
    if (error instanceof ApiProblem && error.final) {
      // Until a page has told it, the refusal stands in the outbox, with all that was typed.
      await outboxShelf.put({ ...kept, refused: error.problem });
      error.entry = kept.key;
      throw error;
    }
    if (error instanceof ApiProblem && error.problem.status === 401)
      window.dispatchEvent(new Event("ritorno-signed-out"));
    return WAITS;
  } finally {
    sending.delete(kept.key);
    await tell();
  }
}

/** What became of an entry that went with others. */
async function became(key: string): Promise<Kept> {
  const row = (await waiting()).find((w) => w.key === key);
  if (!row) return { reply: undefined, waits: false };
  if (!row.refused) return WAITS;
  const refusal = new ApiProblem(row.refused);
  refusal.entry = key;
  throw refusal;
}

/**
 * Hands in many entries at once: all kept in the browser first, then sent together, in order. Answers whether
 * any of them
 * still waits.
 */
export async function handInMany(entries: NewEntry[]): Promise<boolean> {
  const keys = new Set<string>();
  for (const entry of entries) {
    const kept = waits(entry);
    keys.add(kept.key);
    await outboxShelf.put(kept);
  }
  await tell();
  await drain();
  return (await waiting()).some((w) => keys.has(w.key));
}

/** Entries that are on their way alone: the batch leaves them out. */
const sending = new Set<string>();

interface Answer {
  status: number;
  problem?: Problem | null;
}

let underWay: Promise<boolean> | undefined;
let afterIt: Promise<boolean> | undefined;

/**
 * Sends what waits of the person who is signed in, in order. Answers whether anything was stored. While one sending is
 * under way the next begins after it, once for all who ask.
 */
export function drain(): Promise<boolean> {
  if (underWay === undefined) {
    underWay = drainNow().finally(() => {
      underWay = undefined;
    });
    return underWay;
  }
  const next = () => {
    afterIt = undefined;
    return drain();
  };
  afterIt ??= underWay.then(next, next);
  return afterIt;
}

async function drainNow(): Promise<boolean> {
  if (here.user === "") return false;
  let stored = false;
  try {
    for (;;) {
      const mine = (await waiting()).filter(
        (w) => w.user === here.user && !w.refused && !sending.has(w.key),
      );
      const batch = mine.slice(0, BATCH);
      if (batch.length === 0) break;
      const answers = (await post("/api/entries", {
        by: here.user,
        entries: batch.map(({ kind, episode, gate, body }) => ({
          kind,
          episode,
          gate: gate ?? null,
          body,
        })),
      })) as Answer[];
      const settled = await settle(batch, answers);
      stored ||= settled.stored;
      if (!settled.all) break;
    }
  } catch (error) {
    if (error instanceof ApiProblem && error.problem.status === 401)
      window.dispatchEvent(new Event("ritorno-signed-out"));
  } finally {
    await tell();
  }
  return stored;
}

/** Takes out what was stored, marks what was refused for good, leaves the rest. */
async function settle(batch: Waiting[], answers: Answer[]) {
  let stored = false;
  let all = true;
  for (const [i, entry] of batch.entries()) {
    const answer = answers[i];
    if (answer?.status === 200) {
      await outboxShelf.remove(entry.key);
      stored = true;
    } else if (answer && new ApiProblem(away(answer.status)).final)
      await outboxShelf.put({
        ...entry,
        refused: answer.problem ?? away(answer.status),
      });
    else all = false;
  }
  return { stored, all };
}

/** Tries a refused entry again, with other text where it has some. Its id is new: the first one was answered. */
export async function retry(entry: Waiting, body: unknown = entry.body) {
  const again = { ...(body as object) };
  if ("id" in again) again.id = newId();
  await outboxShelf.put({ ...entry, body: again, refused: undefined });
  await tell();
  await drain();
}

/** Takes an entry out: the person threw it away, or the page it came from still holds what was typed. */
export async function takeBack(key: string) {
  await outboxShelf.remove(key);
  await tell();
}
