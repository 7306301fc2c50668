/** The scripts of each place, by the first part of its address; of a station or a room, by its last. */
const PLACES: Record<string, () => Promise<unknown>> = {
  "": () => import("../stations/Decisions"),
  clinic: () => import("../stations/Clinic"),
  library: () => import("../stations/Library"),
  me: () => import("../stations/Account"),
  join: () => import("../stations/Join"),
  e: () => import("../stations/Patient"),
};
const ROOMS: Record<string, () => Promise<unknown>> = {
  people: () => import("../stations/People"),
  defaults: () => import("../stations/Defaults"),
  kit: () => import("../stations/Defaults"),
  elastics: () => import("../stations/Elastics"),
  reliability: () => import("../stations/Reliability"),
  pathways: () => import("../stations/Pathways"),
  trail: () => import("../stations/Trail"),
};
const STATIONS: Record<string, () => Promise<unknown>> = {
  visit: () => import("../stations/Visit"),
  story: () => import("../stations/Story"),
  examine: () => import("../stations/Examine"),
  ranges: () => import("../stations/Ranges"),
  strength: () => import("../stations/Strength"),
  scores: () => import("../stations/Scores"),
  read: () => import("../stations/Read"),
  program: () => import("../stations/Program"),
  home: () => import("../stations/Home"),
  timeline: () => import("../stations/Timeline"),
  handover: () => import("../stations/Handover"),
};

/** Fetches the scripts of the page that is opened while it is asked who is signed in, and not after that. */
export function fetchEarly(pathname: string) {
  const [, place = "", within = "people", station = ""] = pathname.split("/");
  // Where it fails the page itself tells it, when it comes to it.
  const none = () => undefined;
  PLACES[place]?.().catch(none);
  if (place === "clinic") ROOMS[within]?.().catch(none);
  if (place === "e") STATIONS[station]?.().catch(none);
}
