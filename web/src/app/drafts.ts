import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useRef,
  useState,
} from "react";
import { type Draft, draftKey, draftShelf } from "./browserDb";
import { newId } from "./client";
import { useMe } from "./me";
import { type Clash, merge, same } from "./merge";
import { hearWindows, openWindows, tellWindows, thisWindow } from "./windows";

/** About whom the forms of a page are: part of what their drafts are kept under. */
export const DraftScope = createContext("");

/** What a form's draft is kept under: who types, which form, about whom. */
export function useDraftKey(name: string): string {
  return `${useMe()?.id ?? ""}-${name}-${useContext(DraftScope)}`;
}

/** The same text or form as another window, or an earlier page, holds it. */
export interface Other<T> {
  key: string;
  value: T;
  since: string;
  /** Whether that window is open. */
  open: boolean;
}

interface Own<T> {
  value: T;
  base: T;
  rev: number | undefined;
  since: string;
  /** Fields that both changed, until a person says which holds: kept too, or a reload would answer for them. */
  clashes: Clash[];
}

/** What the newest look at the form knows, for what answers later. */
interface Now<T> {
  of: string;
  own: Own<T> | undefined;
  fresh: { value: T; rev?: number };
  /** What was kept before has been looked for: nothing is written over it sooner. */
  begun: Promise<unknown>;
}

/** The field of a clash where the whole is one: a list of lines, a text. */
export const WHOLE = "whole";

/** Whether a value has fields of its own, so that two of them can be laid together. */
const fielded = (value: unknown): value is object =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/**
 * Lays changes on top of a newer record: field by field where there are fields, else one's own whole, and both
 * shown.
 */
function mergeAny<T>(base: T, mine: T, theirs: T) {
  if (fielded(mine))
    return merge(base as object, mine, theirs as object) as {
      value: T;
      clashes: Clash[];
    };
  const clashes = same(base, theirs) ? [] : [{ field: WHOLE, theirs }];
  return { value: mine, clashes };
}

/** What was typed before the browser had said what it keeps, laid on top of that. */
function onTop<T>(typed: Own<T>, kept: Own<T>): Own<T> {
  const { value } = mergeAny(typed.base, typed.value, kept.value);
  return { ...kept, value, since: typed.since };
}

async function rowsOf(of: string): Promise<Draft[]> {
  return (await draftShelf.all())
    .filter((d) => d.of === of)
    .sort((a, b) => b.since.localeCompare(a.since));
}

async function put<T>(of: string, window: string, own: Own<T>) {
  const { value: body, base, rev, since, clashes } = own;
  await draftShelf.put({
    key: draftKey(of, window),
    of,
    window,
    body,
    base,
    rev,
    since,
    clashes,
  });
  tellWindows(of);
}

async function drop(of: string, key: string) {
  await draftShelf.remove(key);
  tellWindows(of);
}

/** Drafts of other windows and earlier pages. */
function useOthers<T>(of: string) {
  const [others, setOthers] = useState<Other<T>[]>([]);
  const look = useCallback(async () => {
    const [me, open, rows] = await Promise.all([
      thisWindow(),
      openWindows(),
      rowsOf(of),
    ]);
    setOthers(
      rows
        .filter((d) => d.window !== me)
        .map((d) => ({
          key: d.key,
          value: d.body as T,
          since: d.since,
          open: open.has(d.window),
        })),
    );
  }, [of]);
  useEffect(
    () => hearWindows((changed) => void (changed === of && look())),
    [of, look],
  );
  return { others, look };
}

/**
 * What a form holds while it is typed: kept in the browser at every stroke, under this window's name, and there again
 * after a reload, a crash or a lapsed session. What another window holds of the same form is shown beside it and never
 * takes its place by itself. When the record moves on meanwhile, one's own changes are laid on top of it, and a field
 * that both changed is named.
 */
export function useDraft<T>(of: string, fresh: { value: T; rev?: number }) {
  const [own, setOwn] = useState<Own<T>>();
  const { others, look } = useOthers<T>(of);
  const now = useRef<Now<T>>({
    of,
    own: undefined,
    fresh,
    begun: Promise.resolve(),
  });
  useEffect(() => {
    now.current.fresh = fresh;
  });
  const hold = useCallback(
    (next: Own<T> | undefined) => {
      now.current.own = next;
      setOwn(next);
      const write = async () => {
        const w = await thisWindow();
        // What was kept before may have been laid under it meanwhile.
        const last = now.current.of === of ? now.current.own : next;
        await (last ? put(of, w, last) : drop(of, draftKey(of, w)));
      };
      void now.current.begun.then(write);
    },
    [of],
  );
  useEffect(() => {
    let here = true;
    now.current.of = of;
    now.current.own = undefined;
    setOwn(undefined);
    const begin = async () => {
      const [me, open, rows] = await Promise.all([
        thisWindow(),
        openWindows(),
        rowsOf(of),
      ]);
      // This window's own, or the newest that a closed window left behind. What is typed meanwhile is newer than both.
      const kept =
        rows.find((d) => d.window === me) ??
        rows.find((d) => !open.has(d.window));
      if (here && kept) {
        const found: Own<T> = {
          value: kept.body as T,
          base: (kept.base ?? now.current.fresh.value) as T,
          rev: kept.rev,
          since: kept.since,
          clashes: (kept.clashes ?? []) as Clash[],
        };
        const typed = now.current.own;
        const laid = typed ? onTop(typed, found) : found;
        now.current.own = laid;
        setOwn(laid);
        // A whole that gave way to a newer one is shown beside it.
        if (typed && !fielded(found.value))
          await put(of, `before-${newId()}`, found);
        if (typed || kept.window !== me) await put(of, me, laid);
        if (kept.window !== me) await drop(of, kept.key);
      }
      if (here) await look();
    };
    now.current.begun = begin().catch(() => undefined);
    return () => {
      here = false;
    };
  }, [of, look]);
  const { rev } = fresh;
  useEffect(() => {
    const { own: mine, fresh: on } = now.current;
    if (!mine || mine.rev === rev) return;
    const laid = mergeAny(mine.base, mine.value, on.value);
    const again = new Set(laid.clashes.map((c) => c.field));
    const clashes = [
      ...mine.clashes.filter((c) => !again.has(c.field)),
      ...laid.clashes,
    ];
    hold({ ...mine, value: laid.value, base: on.value, rev, clashes });
  }, [rev, own, hold]);
  const set = useCallback(
    (change: T | ((value: T) => T)) => {
      const { own: mine, fresh: on } = now.current;
      const before = mine ? mine.value : on.value;
      const value =
        typeof change === "function"
          ? (change as (value: T) => T)(before)
          : change;
      const base = mine ? mine.base : on.value;
      hold(
        same(value, base)
          ? undefined
          : {
              value,
              base,
              rev: mine ? mine.rev : on.rev,
              since: new Date().toISOString(),
              clashes: mine?.clashes ?? [],
            },
      );
    },
    [hold],
  );
  return {
    value: own ? own.value : fresh.value,
    set,
    /** Whether something was typed that is not handed in. */
    dirty: own !== undefined,
    since: own?.since,
    clashes: own?.clashes ?? [],
    /** Takes what stands on record for a field that both changed, or keeps one's own. */
    settle: (clash: Clash, theirs: boolean) => {
      const mine = now.current.own;
      if (mine)
        hold({
          ...mine,
          clashes: mine.clashes.filter((c) => c.field !== clash.field),
        });
      if (theirs && clash.field === WHOLE) set(clash.theirs as T);
      else if (theirs) set((v) => ({ ...v, [clash.field]: clash.theirs }));
    },
    others: others.filter((o) => !same(o.value, own ? own.value : fresh.value)),
    /** Takes the other text; one's own goes where the other came from, so that neither is lost. */
    take: async (other: Other<T>) => {
      const mine = now.current.own;
      if (mine) await put(of, `before-${newId()}`, mine);
      set(other.value);
      if (!other.open) await drop(of, other.key);
      await look();
    },
    dropOther: async (other: Other<T>) => {
      await drop(of, other.key);
      await look();
    },
    /**
     * What was sent is on record. What was typed since then stays a draft, on top of it.
     */
    handedIn: (sent: T, next?: number) => {
      const mine = now.current.own;
      hold(
        mine && !same(mine.value, sent)
          ? { ...mine, base: sent, rev: next, clashes: [] }
          : undefined,
      );
    },
    discard: () => {
      hold(undefined);
    },
  };
}

export type Drafted<T> = ReturnType<typeof useDraft<T>>;

/** A text that is being written. An empty text is kept nowhere. */
export function useDraftText(of: string) {
  return useDraft(of, EMPTY);
}
const EMPTY = { value: "" };
