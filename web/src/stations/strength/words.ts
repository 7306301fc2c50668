/** A number for reading; a dash where there is none. */
export const n = (value: number | null | undefined, digits = 0) =>
  value == null ? "–" : value.toFixed(digits);
