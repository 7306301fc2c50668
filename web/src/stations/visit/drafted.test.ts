import "../../app/stationWords";
import "../../../../locales/en/stations/visit.ftl?learn";
import { expect, it } from "vitest";
import type { Schemas } from "../../app/client";
import { draftedNote } from "./drafted";

const TODAY = "2027-03-01";
const dial = (value: number, on: string, simulated: boolean) => ({
  quantity: "passive-elevation",
  operated: { last: { measurement: { value, on, stop: "stiff" }, simulated } },
});
const pain = (id: string, value: number) => ({
  id,
  on: TODAY,
  exercise: null,
  kind: "pain_during",
  value,
});
const page = (dials: unknown[], log: unknown[] = [], how = "room") =>
  ({
    today: TODAY,
    decided: [],
    view: { dials, log, calls: [], adherence_pct: null, contact: { how } },
  }) as unknown as Schemas["VisitPage"];

it("tells what was measured today, and never what a stand-in invented", () => {
  expect(draftedNote(page([dial(108, TODAY, false)]))).toContain("108°");
  expect(draftedNote(page([dial(108, TODAY, true)]))).toBe("");
  expect(draftedNote(page([dial(108, "2027-02-27", false)]))).toBe("");
});

it("tells the corrected number of a day and not the one before it", () => {
  const note = draftedNote(page([], [pain("2", 2), pain("1", 7)]));
  expect(note).toContain("2");
  expect(note).not.toContain("7");
});

it("says how a contact at a distance was held", () => {
  expect(draftedNote(page([], [], "telephone"))).toBe("Telephone.");
  expect(draftedNote(page([]))).toBe("");
});
