/** A range on a dial: which movement, and how far it can go. */
export interface Turned {
  quantity: string;
  min: number;
  max: number;
}

/**
 * Degrees of the drawing for a measurement: raising sweeps up from hanging, turning out sweeps away from
 * straight ahead.
 */
export function turn(
  quantity: string,
  min: number,
  max: number,
): (value: number) => number {
  if (quantity.includes("elevation")) return (v) => 90 - v;
  if (quantity.includes("-er-")) return (v) => -90 + v;
  if (quantity.includes("-ir-")) return (v) => -90 - v;
  return (v) => -180 + (180 * (v - min)) / (max - min);
}

/** The measurement at an angle of the drawing in radians, whole and inside the range: the way back of `turn`. */
export function valueAt({ quantity, min, max }: Turned, angle: number): number {
  const deg = (angle * 180) / Math.PI;
  // Where nought lies and how many degrees of the drawing a degree of the range is; else the range fills a half circle.
  const [zero, per, from] = quantity.includes("elevation")
    ? [90, -1, 0]
    : quantity.includes("-er-")
      ? [-90, 1, 0]
      : quantity.includes("-ir-")
        ? [-90, -1, 0]
        : [-180, 180 / (max - min), min];
  // Of all turns of the circle the one that lies nearest to the middle of the range.
  const middle = (min + max) / 2;
  const values = [-720, -360, 0, 360, 720].map(
    (round) => (deg + round - zero) / per + from,
  );
  const nearest = values.reduce((a, b) =>
    Math.abs(b - middle) < Math.abs(a - middle) ? b : a,
  );
  // Nought is never below itself.
  return Math.round(Math.min(max, Math.max(min, nearest))) + 0;
}
