import type { Schemas } from "../../app/client";

export type View = Schemas["PlanChart"];

/** Room at the right edge, in pixels. */
const RIGHT = 16;
/** Where the days begin. */
const LABEL = { wide: 226, small: 118 };
/** Where the first row begins, below the weeks. */
export const TOP = 30;

/** Where days lie on the sheet. */
export interface Frame {
  id: string;
  from: number;
  to: number;
  width: number;
  small: boolean;
  /** Pixels of the labels at the left. */
  label: number;
  right: number;
  perDay: number;
  /** Whether days are named, not weeks. */
  byDay: boolean;
  x: (day: number) => number;
  /** Whether anything from `a` up to `b` lies in the days shown. */
  shows: (a: number, b: number) => boolean;
}

export function frame(
  id: string,
  [from, to]: [number, number],
  width: number,
  small: boolean,
): Frame {
  const label = small ? LABEL.small : LABEL.wide;
  const perDay = (width - label - RIGHT) / (to - from);
  return {
    id,
    from,
    to,
    width,
    small,
    label,
    right: RIGHT,
    perDay,
    byDay: to - from <= 14,
    x: (day) => label + (Math.min(Math.max(day, from), to) - from) * perDay,
    shows: (a, b) => b > from && a < to,
  };
}
