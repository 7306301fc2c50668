import { expect, test } from "vitest";
import { clinicDay, localDate } from "./clock";

test("a session without a network counts for its own day, whatever the telephone's clock shows", () => {
  const at = (day: number, hour = 23) => new Date(2027, 1, day, hour);
  expect(localDate(at(27))).toBe("2027-02-27");
  expect(clinicDay("2027-02-27", "2027-02-27", at(27))).toBe("2027-02-27");
  // Over the end of a month, two days later.
  expect(clinicDay("2027-02-27", "2027-02-27", at(29))).toBe("2027-03-01");
  // A clock that is a day ahead, or behind, stays so.
  expect(clinicDay("2027-02-27", "2027-02-28", at(28))).toBe("2027-02-27");
  expect(clinicDay("2027-02-27", "2027-02-26", at(27))).toBe("2027-02-28");
  // One that was put back never makes yesterday of today.
  expect(clinicDay("2027-02-27", "2027-02-27", at(20))).toBe("2027-02-27");
});
