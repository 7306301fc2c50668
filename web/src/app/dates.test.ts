import { expect, it } from "vitest";
import { readDate } from "./dates";

const LATEST = "2027-03-01";

it.each([
  ["3 2 27", "2027-02-03"],
  ["3.2.2027", "2027-02-03"],
  ["03/02/27", "2027-02-03"],
  ["030227", "2027-02-03"],
  ["03022027", "2027-02-03"],
  ["3 feb 27", "2027-02-03"],
  ["3feb27", "2027-02-03"],
  ["3 February 2027", "2027-02-03"],
  ["3 Feb 2027", "2027-02-03"],
  ["2027-02-03", "2027-02-03"],
  ["12 5 79", "1979-05-12"],
  ["1 3 27", "2027-03-01"],
  // The day after the latest was a century ago.
  ["2 3 27", "1927-03-02"],
  ["29 2 24", "2024-02-29"],
])("reads %s as %s", (text, day) => {
  expect(readDate(text, LATEST)).toBe(day);
});

it.each([
  "",
  "3",
  "3 2",
  "31 2 27",
  "29 2 2025",
  "0 1 27",
  "3 13 27",
  "3 xyz 27",
  "3 2 202",
  "2 ma 27",
  "tomorrow",
])("does not read %s", (text) => {
  expect(readDate(text, LATEST)).toBeUndefined();
});

it("never means the American order", () => {
  for (let day = 1; day <= 28; day++)
    for (let month = 1; month <= 12; month++)
      expect(readDate(`${day} ${month} 2026`, LATEST)).toBe(
        `2026-${String(month).padStart(2, "0")}-${String(day).padStart(2, "0")}`,
      );
});
