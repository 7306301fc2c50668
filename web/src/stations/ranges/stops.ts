/** One key for why a movement stopped. */
export const STOPS = [
  ["p", "pain"],
  ["s", "stiff"],
  ["w", "weak"],
  ["x", "slipping"],
  ["l", "at_limit"],
] as const;
