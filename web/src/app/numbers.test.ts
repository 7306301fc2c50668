import { expect, it } from "vitest";
import { faultOf, readNumber, valueOf } from "./numbers";

const ANGLE = { min: -40, max: 180, decimals: 1, unit: "°" };

it.each([
  ["12", 12],
  [" 12,5 ", 12.5],
  ["12.5", 12.5],
  ["\u221212", -12],
  [".5", 0.5],
  ["", null],
  ["1,234.5", undefined],
  ["1e3", undefined],
  ["12x", undefined],
  ["--1", undefined],
])("reads %j", (text, value) => {
  expect(readNumber(text)).toBe(value);
});

it("refuses and never rounds", () => {
  expect(valueOf("12.55", ANGLE)).toBeUndefined();
  expect(valueOf("12.50", ANGLE)).toBe(12.5);
  expect(valueOf("181", ANGLE)).toBeUndefined();
  expect(faultOf("181", ANGLE)).toContain("180");
  expect(valueOf("", ANGLE)).toBeNull();
});
