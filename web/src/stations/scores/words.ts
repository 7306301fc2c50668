import type { Schemas } from "../../app/client";

export type Page = Schemas["OutcomePage"];
export type View = Schemas["InstrumentView"];
export type Part = Schemas["ScorePart"];
/** A number, left out on purpose, or not reached yet. */
export type Answer = number | null | undefined;

export const number = (value: number) =>
  String(Math.round(value * 10) / 10).replace("-", "−");
export const cellsOf = (view: View | undefined): Part[] =>
  view?.instrument.parts.flatMap((part) =>
    Array.from({ length: part.items }, () => part),
  ) ?? [];
/** One key answers where the item has few answers; else the number is typed out. */
export const byOneKey = (part: Part) =>
  part.max <= 10 && part.min >= 0 && !part.unit;
