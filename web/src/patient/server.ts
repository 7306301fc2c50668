import type { components } from "../api/schema";

export type Page = components["schemas"]["PhonePage"];
export type Told = components["schemas"]["PhoneEntry"];
export type Heard = components["schemas"]["PhoneHeard"];

/** What stands on the signed sheet, in words; the server sets it from the same sentences as the paper. */
export interface Sheet {
  arm: string;
  clock: string;
  limits: { what: string; how: string }[];
  sling_title: string;
  sling: string;
  avoid_title: string;
  avoid: string[];
  habits_title: string;
  habits: string[];
  stop_title: string;
  stop: string[];
  stop_now: string;
  pain: string;
  advice_title: string;
  advice: string[];
  may_title: string;
  may: string[];
  kit: string;
  exercises: Exercise[];
  waits: string;
  waits_title: string;
  safety: string;
  /** The hours that were named for the exercises, in words; empty where there are none. */
  hours: string;
}

export interface Exercise {
  id: string;
  name: string;
  alt: string;
  dose: string;
  arm: string;
  start: string;
  how: string;
  cues: string;
  limit: string;
  watch: string;
  task: string;
  count: Dose;
  /** What to do instead on a bad day, in words and counted. */
  easier: string;
  easier_count: Dose;
  /** The days of the week that it is done on, Monday first. */
  weekdays: boolean[];
}

export interface Dose {
  sets: number;
  repetitions: number;
  hold_s: number;
  rest_s: number;
  duration_s: number | null;
  times_per_day: number;
  /** Seconds there, held, and back. */
  tempo_s: [number, number, number] | null;
  structure: string | null;
  /** Seconds of a repetition, and of a breath, where the dose says none. */
  repetition_s: number;
  breath_s: number;
}

/** What came back: an answer with its status, or nothing because there is no network. */
export interface Answer<T> {
  status: number;
  body: T | undefined;
}

/** Asks the server; status 0 where it cannot be reached. */
export async function ask<T>(
  method: "GET" | "POST",
  path: string,
  body?: unknown,
): Promise<Answer<T>> {
  try {
    const answer = await fetch(path, {
      method,
      // What hangs must not hold up what is wrong.
      signal: AbortSignal.timeout(10_000),
      ...(body === undefined
        ? {}
        : {
            body: JSON.stringify(body),
            headers: { "content-type": "application/json" },
          }),
    });
    const text = await answer.text();
    const read = text === "" ? undefined : (JSON.parse(text) as T);
    return { status: answer.status, body: read };
  } catch {
    return { status: 0, body: undefined };
  }
}

/** Whose page the clinic looks at: nothing is told then, and nothing is kept in this browser. */
export const PREVIEW = new URLSearchParams(window.location.search).get(
  "preview",
);

/** Where the page comes from. */
export const PAGE = PREVIEW
  ? `/api/episodes/${PREVIEW}/home-page`
  : "/api/home/page";

/** Where a drawing comes from. */
export const drawingOf = (exercise: string, moving = false) =>
  `${PREVIEW ? `/api/episodes/${PREVIEW}` : "/api/home"}/figures/${exercise}${moving ? "?moving=true" : ""}`;
