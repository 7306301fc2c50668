import { newId } from "../app/newId";
import { ask, type Told } from "./server";

/** Where what was tapped waits until the server has it: it outlives the page. */
const WAITS = "ritorno-home-waits";
const REFUSED = "ritorno-home-refused";

type WithoutId<T> = T extends unknown ? Omit<T, "id"> : never;
/** What is told, before it has an id. */
export type Fact = WithoutId<Told>;

function held(place: string): Told[] {
  try {
    return JSON.parse(localStorage.getItem(place) ?? "[]") as Told[];
  } catch {
    return [];
  }
}

const put = (place: string, entries: Told[]) =>
  localStorage.setItem(place, JSON.stringify(entries));

export const waiting = () => held(WAITS);
export const refused = () => held(REFUSED);

/** Keeps an entry on this phone; `send` brings it to the server. */
export function keep(fact: Fact): Told {
  const entry = { id: newId(), ...fact } as Told;
  put(WAITS, [...waiting(), entry]);
  return entry;
}

/** One at a time: two ways to the server would send the same twice. */
let under: Promise<boolean> | undefined;

/**
 * Brings what waits to the server, oldest first, each once: it has an id of its own. What is refused for good is kept
 * beside, to be told to a person. True when nothing waits any more.
 */
export function send(): Promise<boolean> {
  under ??= all().finally(() => {
    under = undefined;
  });
  return under;
}

async function all(): Promise<boolean> {
  for (;;) {
    const [first] = waiting();
    if (!first) return true;
    const { status } = await ask("POST", "/api/home/log", first);
    const final =
      status >= 400 && status < 500 && ![401, 403, 408, 429].includes(status);
    if (status !== 200 && !final) return false;
    if (final) put(REFUSED, [...refused(), first]);
    put(
      WAITS,
      waiting().filter((e) => e.id !== first.id),
    );
  }
}
