import type { QueryClient } from "@tanstack/react-query";

/** What is looked for in the day list. */
interface Looked {
  search: string;
  lane: string | undefined;
  mine: boolean;
  pathway: string;
  phase: string;
  after: string | undefined;
}

/** The names of everything that pages ask the server for, in one place: who reads and who renews speak of the same. */
export const queryKeys = {
  me: ["me"],
  people: ["people"],
  staff: ["staff"],
  trail: (patient: string | undefined, who: string | undefined) => [
    "trail",
    patient,
    who,
  ],
  ownSessions: ["own-sessions"],
  sessionsOf: (person: string) => ["sessions-of", person],
  secondFactor: ["second-factor"],
  defaults: ["defaults"],
  reasons: ["reasons"],
  bounds: ["bounds"],
  bench: ["bench"],
  exercises: ["exercises"],
  tests: ["tests"],
  elastics: ["elastics"],
  pathways: ["pathways"],
  pathway: (id: string | undefined) => ["pathway", id],
  find: (typed: string) => ["find", typed],
  dayLists: ["day-list"],
  dayList: (looked: Looked) => ["day-list", looked],
  visit: (episode: string) => ["visit", episode],
  story: (episode: string | null) => ["story", episode],
  reading: (episode: string) => ["reading", episode],
  ranges: (episode: string) => ["ranges", episode],
  strength: (episode: string) => ["strength", episode],
  outcomes: (episode: string) => ["outcomes", episode],
  program: (episode: string) => ["program", episode],
  week: (episode: string, lines: unknown) => ["week", episode, lines],
  homeLink: (episode: string) => ["home-link", episode],
  reminders: (episode: string) => ["reminders", episode],
  versions: (episode: string, before?: string, after?: string) => [
    "versions",
    episode,
    before,
    after,
  ],
  comparison: (episode: string, days: unknown) => ["comparison", episode, days],
  lineLoad: (episode: string, exercise: string, setup: unknown) => [
    "line-load",
    episode,
    exercise,
    setup,
  ],
  figure: (exercise: string, episode: string | null) => [
    "figure",
    exercise,
    episode,
  ],
  timeline: (patient: string, kind: string, search: string) => [
    "timeline",
    patient,
    kind,
    search,
  ],
} as const;

/** What a page of one patient, or the day list, is made of. */
export type Part =
  | "reading"
  | "visit"
  | "story"
  | "program"
  | "week"
  | "versions"
  | "ranges"
  | "strength"
  | "outcomes"
  | "comparison"
  | "day-list"
  | "timeline"
  | "people";

/** Everything that may say something else once anything was entered. */
export const EVERYTHING: readonly Part[] = [
  "reading",
  "visit",
  "story",
  "program",
  "week",
  "versions",
  "ranges",
  "strength",
  "outcomes",
  "comparison",
  "day-list",
  "timeline",
];

/** Asks anew for parts that may have changed, wherever they are shown. */
export function renew(queries: QueryClient, parts: readonly Part[]) {
  for (const part of parts)
    void queries.invalidateQueries({ queryKey: [part] });
}
