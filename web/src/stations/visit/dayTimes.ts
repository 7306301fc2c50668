/** First and last hour in which an appointment begins. */
const FIRST_HOUR = 7;
const LAST_HOUR = 20;
const STEP_MINUTES = 10;

/** Times of a day that an appointment may begin at, as a clock shows them. */
export const DAY_TIMES: readonly string[] = Array.from(
  { length: ((LAST_HOUR - FIRST_HOUR) * 60) / STEP_MINUTES + 1 },
  (_, n) => FIRST_HOUR * 60 + n * STEP_MINUTES,
).map(
  (m) =>
    `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`,
);

/** How long appointments last, in minutes. */
export const LENGTHS = [20, 30, 45, 60] as const;
