import { expect, it } from "vitest";
import { asOf, noDays, taking, withToday, without } from "./ofDay";

const say = (words: string) => () => words;

it("keeps what an earlier day left beside today's, and sends none of it by itself", () => {
  const monday = withToday(noDays(""), "2027-03-01", "", say("not yet"));
  const tuesday = asOf(monday, "2027-03-02", "");
  expect(tuesday.now).toEqual({ on: "2027-03-02", value: "" });
  expect(tuesday.before).toEqual([{ on: "2027-03-01", value: "not yet" }]);
  const both = withToday(monday, "2027-03-02", "", say("rather wait"));
  const wednesday = asOf(both, "2027-03-03", "");
  expect(wednesday.before.map((d) => d.value)).toEqual([
    "rather wait",
    "not yet",
  ]);
});

it("forgets what was thrown away, also before anything is typed today, and leaves nothing when all is empty", () => {
  const monday = withToday(noDays(""), "2027-03-01", "", say("not yet"));
  const left = { on: "2027-03-01", value: "not yet" };
  expect(without(monday, left, "")).toEqual(noDays(""));
  const both = withToday(monday, "2027-03-02", "", say("rather wait"));
  const one = without(both, left, "");
  expect(one.before).toEqual([]);
  expect(one.now.value).toBe("rather wait");
  expect(withToday(one, "2027-03-02", "", say(""))).toEqual(noDays(""));
});

it("puts today's words aside when those of an earlier day are gone on with", () => {
  const monday = withToday(noDays(""), "2027-03-01", "", say("not yet"));
  const both = withToday(monday, "2027-03-02", "", say("rather wait"));
  const left = { on: "2027-03-01", value: "not yet" };
  const taken = taking(both, left, "2027-03-02", "");
  expect(taken.now.value).toBe("not yet");
  expect(taken.before).toEqual([{ on: "2027-03-02", value: "rather wait" }]);
  // Alone, there is nothing to put aside.
  expect(taking(monday, left, "2027-03-02", "").before).toEqual([]);
});
