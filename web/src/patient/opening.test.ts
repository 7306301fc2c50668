import { describe, expect, it } from "vitest";
import { openingWords } from "./opening";

const row = (weekday: number, from: string, until: string) => ({
  weekday,
  from: `${from}:00`,
  until: `${until}:00`,
});

describe("when the clinic reads", () => {
  it("puts days in a row with the same hours together", () => {
    const hours = [1, 2, 3, 5].map((day) => row(day, "08:00", "17:00"));
    expect(openingWords([...hours, row(6, "09:00", "12:00")])).toBe(
      "Monday to Wednesday 08:00 to 17:00; Friday 08:00 to 17:00; Saturday 09:00 to 12:00",
    );
  });
  it("says a morning and an afternoon in their order", () => {
    expect(
      openingWords([row(2, "14:00", "18:00"), row(2, "08:00", "12:00")]),
    ).toBe("Tuesday 08:00 to 12:00, 14:00 to 18:00");
  });
});
