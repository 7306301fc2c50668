import { expect, it } from "vitest";
import type { Schemas } from "../../app/client";
import { asksNext } from "./asks";

type Story = Schemas["Story"];
const PAGE = {
  pathways: [
    { id: "repair", clock: "operation" },
    { id: "sore", clock: "none" },
    { id: "fracture", clock: "fracture" },
  ] as Schemas["PathwayChoice"][],
  flags: [{ asked: true, state: "no" }] as Schemas["FlagView"][],
};
const TOLD = {
  pathway: "sore",
  start: "gradual",
  complaint: "raising",
  other_side: "sound",
  mechanism: "by itself",
  work: "glazier",
  tasks: [{ label: "reach", score: 3 }],
} as unknown as Story;
const of = (story: Partial<Story>, page = PAGE) =>
  asksNext(page, { ...TOLD, ...story }).map((a) => a.what);

it("asks nothing of a story that is told", () => {
  expect(of({})).toEqual([]);
});

it("puts red flags before everything and the go-ahead before what refines", () => {
  const flags = [{ asked: true, state: "not_asked" }] as Schemas["FlagView"][];
  expect(
    of({ pathway: "repair", start: "surgery", work: "" }, { ...PAGE, flags }),
  ).toEqual(["flags-title", "clearance", "sling-worn", "work-demands"]);
});

it("asks about slips only where it slips, and about the go-ahead only where something heals", () => {
  expect(of({ complaint: "slipping" })).toEqual(["slips-per-week"]);
  expect(of({ pathway: "fracture", start: "injury" })).toEqual([
    "clearance",
    "sling-worn",
  ]);
});
