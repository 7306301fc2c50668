import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { ApiProblem } from "./client";
import {
  handIn,
  handInMany,
  type Kept,
  type NewEntry,
  takeBack,
} from "./outbox";
import { t } from "./wording";
import { EVERYTHING, renew } from "./queryKeys";

/** How far the last entry of a page has come. */
export type SaveState = "idle" | "saving" | "saved" | "waits";

/**
 * The way a page hands in its entries: kept before they are sent, one at a time for each thing on the page, and told at
 * each step. A second press while the first is on its way sends nothing. A page that has moved on meanwhile
 * brings back what
 * was refused, and says with `back` whether it could.
 */
export function useEntry(episode: string) {
  const queries = useQueryClient();
  const [state, setState] = useState<SaveState>("idle");
  const [error, setError] = useState<unknown>();
  const busy = useRef(new Set<string>());
  // While any entry of the page is on its way, the page says so: the first that lands is not the last.
  const under = useRef(0);
  const landed = useCallback((how: SaveState) => {
    under.current -= 1;
    setState((before) => (under.current > 0 ? before : how));
  }, []);
  const here = useRef(true);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  const keep = useCallback(
    async (
      entry: Omit<NewEntry, "episode">,
      slot: string,
      back: () => boolean = () => true,
    ): Promise<Kept | undefined> => {
      if (busy.current.has(slot)) return undefined;
      busy.current.add(slot);
      setError(undefined);
      setState("saving");
      under.current += 1;
      try {
        const kept = await handIn({ ...entry, episode });
        renew(queries, EVERYTHING);
        landed(kept.waits ? "waits" : "saved");
        return kept;
      } catch (failure) {
        landed("idle");
        if (here.current) {
          setError(failure);
          // Where the page shows again what was typed, the outbox need not keep it.
          if (failure instanceof ApiProblem && failure.entry && back())
            await takeBack(failure.entry);
        }
        return undefined;
      } finally {
        busy.current.delete(slot);
      }
    },
    [episode, landed, queries],
  );
  /** Many at once, for which nothing on the page waits: a week at home. */
  const keepAll = useCallback(
    async (entries: Omit<NewEntry, "episode">[]): Promise<void> => {
      setError(undefined);
      setState("saving");
      under.current += 1;
      let how: SaveState = "idle";
      try {
        const waits = await handInMany(
          entries.map((entry) => ({ ...entry, episode })),
        );
        renew(queries, EVERYTHING);
        how = waits ? "waits" : "saved";
      } finally {
        landed(how);
      }
    },
    [episode, landed, queries],
  );
  return { keep, keepAll, state, error, setError };
}

/** The same for what is saved with its page and does not wait: the story, a program, an own pathway. */
export function useSaver() {
  const [state, setState] = useState<SaveState>("idle");
  const busy = useRef(false);
  const run = useCallback(async (work: () => Promise<void>): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setState("saving");
    try {
      await work();
      setState("saved");
    } catch (failure) {
      setState("idle");
      throw failure;
    } finally {
      busy.current = false;
    }
  }, []);
  const tail = useRef(Promise.resolve());
  /** The same, one after the other, where several things may be pressed in a row. */
  const inTurn = useCallback(
    (work: () => Promise<void>): Promise<void> => {
      const next = tail.current.then(() => run(work));
      tail.current = next.catch(() => undefined);
      return next;
    },
    [run],
  );
  const touch = useCallback(() => setState("idle"), []);
  return { state, run, inTurn, touch, busy: state === "saving" };
}

export type Saver = ReturnType<typeof useSaver>;

/** Saving, saved, or waiting: always a word, never only a colour. */
export function SaveMark({ state }: { state: SaveState }) {
  return (
    <span className={`save-mark ${state}`} role="status" data-state={state}>
      {state === "idle" ? "" : t(`save-${state}`)}
    </span>
  );
}
