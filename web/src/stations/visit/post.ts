import type { NewEntry } from "../../app/outbox";

/** Hands in an entry of this visit; true once it is stored or waits. */
export type Post = (
  entry: Omit<NewEntry, "episode">,
  slot: string,
  back?: () => boolean,
) => Promise<boolean>;
