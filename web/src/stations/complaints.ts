/** What a shoulder is mainly about, in the order it is asked. */
export const COMPLAINTS = [
  "raising",
  "weakness",
  "slipping",
  "stiffness",
  "top",
  "neck",
] as const;
