import type { Schemas } from "../../app/client";

export type Page = Schemas["ReadingPage"];
export type View = Schemas["ReadView"];
/** Keeps what else the reading rests on; true once it is stored or waits. */
export type OnNote = (fact: Schemas["ExamFact"]) => Promise<boolean>;
