import { expect, it } from "vitest";
import { turn, valueAt } from "./turn";

const RANGES = [
  { quantity: "passive-elevation", min: 0, max: 180 },
  { quantity: "active-elevation-lying", min: 0, max: 200 },
  { quantity: "passive-er-side", min: -40, max: 110 },
  { quantity: "passive-ir-belly", min: 0, max: 110 },
  { quantity: "horizontal-adduction", min: -30, max: 150 },
  { quantity: "hand-behind-back", min: 1, max: 10 },
];

it("finds under the finger the value that is drawn there", () => {
  for (const range of RANGES)
    for (let value = range.min; value <= range.max; value++) {
      const deg = turn(range.quantity, range.min, range.max)(value);
      const angle = Math.atan2(
        Math.sin((deg * Math.PI) / 180),
        Math.cos((deg * Math.PI) / 180),
      );
      expect(valueAt(range, angle), `${range.quantity} ${value}`).toBe(value);
    }
});

it("never leaves the range", () => {
  for (const range of RANGES)
    for (let deg = -180; deg <= 180; deg += 7) {
      const value = valueAt(range, (deg * Math.PI) / 180);
      expect(value).toBeGreaterThanOrEqual(range.min);
      expect(value).toBeLessThanOrEqual(range.max);
    }
});
