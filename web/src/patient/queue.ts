import { newId } from "../app/newId";
import { ask, type Heard, type Told } from "./server";

/** Where what was tapped waits until the server has it: it outlives the page. Each patient's by themselves. */
const WAITS = "ritorno-home-waits-";
const REFUSED = "ritorno-home-refused-";
/** What the clinic's rules ask about something that was written: shown until it was seen. */
const ASKED = "ritorno-home-asked-";

type WithoutId<T> = T extends unknown ? Omit<T, "id"> : never;
/** What is told, before it has an id. */
export type Fact = WithoutId<Told>;

function held<T = Told>(place: string): T[] {
  try {
    return JSON.parse(localStorage.getItem(place) ?? "[]") as T[];
  } catch {
    return [];
  }
}

const put = (place: string, entries: unknown[]) =>
  localStorage.setItem(place, JSON.stringify(entries));

export const waiting = (whose: string) => held(WAITS + whose);
export const refused = (whose: string) => held(REFUSED + whose);

export const asked = (whose: string) =>
  held<Heard["asks"][number]>(ASKED + whose);
export const askedSeen = (whose: string) =>
  localStorage.removeItem(ASKED + whose);

/** What cannot wait for a week of sessions to be sent first. */
const FIRST: Told["kind"][] = ["stop", "slip", "message"];

/** Keeps an entry on this phone; `send` brings it to the server. */
export function keep(whose: string, fact: Fact): Told {
  const entry = { id: newId(), ...fact } as Told;
  put(WAITS + whose, [...waiting(whose), entry]);
  return entry;
}

/** One at a time: two ways to the server would send the same twice. */
let under: Promise<boolean> | undefined;

/**
 * Brings what waits to the server, oldest first and what is wrong before anything else, each once: it has an id of its
 * own. What is refused for good is kept beside, to be told to a person. True when nothing waits any more.
 */
export function send(whose: string): Promise<boolean> {
  under ??= all(whose).finally(() => {
    under = undefined;
  });
  return under;
}

async function all(whose: string): Promise<boolean> {
  for (;;) {
    const entries = waiting(whose);
    const urgent = FIRST.map((kind) => entries.find((e) => e.kind === kind));
    const next = urgent.find((e) => e !== undefined) ?? entries[0];
    if (!next) return true;
    const { status, body } = await ask<Heard>("POST", "/api/home/log", {
      ...next,
      whose,
    });
    if (status === 200 && body && body.asks.length > 0)
      put(ASKED + whose, [...asked(whose), ...body.asks]);
    const final =
      status >= 400 && status < 500 && ![401, 403, 408, 429].includes(status);
    if (status !== 200 && !final) return false;
    if (final) put(REFUSED + whose, [...refused(whose), next]);
    put(
      WAITS + whose,
      waiting(whose).filter((e) => e.id !== next.id),
    );
  }
}
