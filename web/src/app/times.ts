/** Times of a day as they are chosen: every half hour. */
const STEP_MINUTES = 30;

const two = (part: number) => String(part).padStart(2, "0");

/** Every half hour of a day, as the server writes a time. */
export const HALF_HOURS = Array.from(
  { length: (24 * 60) / STEP_MINUTES },
  (_, n) => {
    const minutes = n * STEP_MINUTES;
    return `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}:00`;
  },
);

/** A time without its seconds. */
export const hourAndMinute = (time: string) => time.slice(0, 5);

/** The half hours to choose from. */
export const HALF_HOUR_OPTIONS = HALF_HOURS.map((value) => ({
  value,
  label: hourAndMinute(value),
}));
