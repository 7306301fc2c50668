import { describe, expect, it } from "vitest";
import { beatsOf } from "./beats";
import type { Exercise } from "./server";

const dose = (part: Partial<Exercise["count"]>): Exercise["count"] => ({
  sets: 2,
  repetitions: 3,
  hold_s: 0,
  rest_s: 30,
  duration_s: null,
  times_per_day: 1,
  tempo_s: null,
  structure: null,
  repetition_s: 4,
  breath_s: 2,
  ...part,
});
const seconds = (beats: { seconds: number }[]) =>
  beats.reduce((sum, b) => sum + b.seconds, 0);

describe("counting along", () => {
  it("holds, breathes between holds, and rests between rounds", () => {
    const beats = beatsOf(dose({ hold_s: 5 }));
    expect(beats.slice(0, 3).map((b) => b.says)).toEqual([
      "hold",
      "breath",
      "hold",
    ]);
    // Two rounds of three holds with two breaths each, and one rest.
    expect(seconds(beats)).toBe(2 * (3 * 5 + 2 * 2) + 30);
  });
  it("keeps the tempo, and leaves out a pause of nothing", () => {
    const beats = beatsOf(dose({ sets: 1, tempo_s: [2, 0, 4] }));
    expect(beats.map((b) => b.says).slice(0, 2)).toEqual(["out", "back"]);
    expect(seconds(beats)).toBe(3 * 6);
  });
  it("counts one round of a circuit, without its rest", () => {
    const beats = beatsOf(dose({}), 2);
    expect(beats.every((b) => b.round === 2)).toBe(true);
    expect(seconds(beats)).toBe(3 * 4);
  });
  it("counts time where the dose is a time", () => {
    expect(seconds(beatsOf(dose({ duration_s: 60 })))).toBe(2 * 60 + 30);
  });
});
