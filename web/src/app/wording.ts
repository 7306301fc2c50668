import {
  FluentBundle,
  FluentResource,
  type FluentVariable,
} from "@fluent/bundle";
import type { components } from "../api/schema";
import names from "../../../locales/en/names.ftl?read";
import patient from "../../../locales/en/patient.ftl?read";
import problems from "../../../locales/en/problems.ftl?read";
import rules from "../../../locales/en/rules.ftl?read";
import screens from "../../../locales/en/screens.ftl?read";

export type Reason = components["schemas"]["Reason"];
/** The languages that a patient may read. */
export const LANGUAGES = ["english", "italian"] as const;
export type Args = Record<string, string | number>;

/** The language of the catalogues. */
const bundle = new FluentBundle("en", { useIsolating: false });
/** Takes a catalogue in; its sentences are known from then on. */
export function learn(sentences: FluentResource["body"]) {
  bundle.addResource(
    Object.assign(new FluentResource(""), { body: sentences }),
  );
}
[names, patient, problems, rules, screens].forEach(learn);

function raw(
  id: string,
  attribute: string | undefined,
  args: Record<string, FluentVariable>,
): string | undefined {
  const message = bundle.getMessage(id);
  const pattern =
    attribute === undefined ? message?.value : message?.attributes[attribute];
  return pattern ? bundle.formatPattern(pattern, args, []) : undefined;
}

/** Arguments that name rows of another kind. The Rust side has the same list. */
const SAME: Record<string, string> = {
  exercise: "ex",
  next: "ex",
  other_test: "test",
  other_strength: "strength",
  instead: "ladder",
};

/** The name of a row: `<argument>-<value>` where the catalogue has it. The Rust side follows the same convention. */
export function nameOf(argument: string, value: string): string {
  const prefix = SAME[argument] ?? argument;
  const key = (of: string) => `${of}-${value}`.replaceAll("_", "-");
  // A measure is a quantity, or something worked out from several.
  const places =
    argument === "measure"
      ? [prefix, "quantity", "test", "strength", "need"]
      : argument === "whose"
        ? [prefix, "pathway", "modifier"]
        : [prefix];
  return (
    places
      .map((place) => raw(key(place), undefined, {}))
      .find((text) => text !== undefined) ?? value
  );
}

/** A sentence by its id; the id itself where there is none, so that a gap is seen. */
export function t(id: string, args: Args = {}): string {
  const named: Record<string, FluentVariable> = {};
  for (const [name, value] of Object.entries(args)) {
    named[name.replaceAll("_", "-")] =
      typeof value === "number" ? value : nameOf(name, value);
  }
  return raw(id, undefined, named) ?? id;
}

/** An attribute of a message, e.g. how a test is done. */
export function attr(id: string, attribute: string, args: Args = {}): string {
  return raw(id, attribute, args) ?? "";
}

export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** Arguments that are measurements: they carry their unit into the sentence. The Rust side follows the same rule. */
const MEASURED = [
  "ceiling",
  "floor",
  "value",
  "before",
  "gain",
  "peak",
  "needs",
  "active",
  "passive",
  "gap",
  "bound",
  "error",
];

/** A day as the wire has it; a person reads it as a date. */
const ISO_DATE = /^\d{4}-\d{2}-\d{2}$/;

/** The sentence of a rule. */
export function sentence(reason: Reason): string {
  const args: Args = {};
  const about =
    reason.args["quantity"] ??
    (reason.rule.startsWith("flag-active") ? "elevation" : undefined);
  for (const [name, value] of Object.entries(reason.args)) {
    const measurement =
      typeof value === "number" &&
      about !== undefined &&
      MEASURED.includes(name) &&
      !(name === "value" && reason.rule === "asks-measure-of-other");
    args[name] = measurement
      ? withUnit(String(about), value)
      : typeof value === "string" && ISO_DATE.test(value)
        ? shortDate(value)
        : value;
  }
  return capital(t(`rule-${reason.rule}`, args));
}

/** Weeks and days as a clinician reads them: *6 wk 3 d (day 45)*. */
export function clock(c: { weeks: number; days: number; day: number }): string {
  return t("clock", c);
}

/** The parts of a day as the catalogues name them. The browser's own words for dates take it long to get ready. */
function parts(when: Date) {
  const month = when.getMonth() + 1;
  const weekday = when.getDay() || 7;
  return {
    day: String(when.getDate()),
    month: t(`month-${month}`),
    longmonth: t(`month-long-${month}`),
    year: String(when.getFullYear()),
    weekday: t(`weekday-${weekday}`),
    longday: t(`weekday-long-${weekday}`),
  };
}

/** Noon of a day, so that no time zone moves it to another. */
const noon = (iso: string) => new Date(`${iso}T12:00`);

/** A date as it is said: *6 Feb 2027*. */
export function shortDate(iso: string): string {
  return t("date", parts(noon(iso)));
}

/** A date with all its words: *Saturday 6 February 2027*. */
export function longDate(iso: string): string {
  return t("date-long", parts(noon(iso)));
}

/** A day of this year: *6 Feb*. */
export function dayOfMonth(iso: string): string {
  return t("date-day", parts(noon(iso)));
}

/** A day of the week: *Sat*, or *Saturday*. */
export function weekday(iso: string, long = false): string {
  const said = parts(noon(iso));
  return long ? said.longday : said.weekday;
}

/** A moment as it is said: *6 Feb 2027, 14:05*. */
export function moment(iso: string): string {
  const when = new Date(iso);
  const two = (n: number) => String(n).padStart(2, "0");
  return t("moment", {
    ...parts(when),
    hour: two(when.getHours()),
    minute: two(when.getMinutes()),
  });
}

/** A measurement of a quantity with its unit. */
export function withUnit(quantity: string, value: number): string {
  const unit =
    quantity === "hand-behind-back" ? "measured-level" : "measured-deg";
  // Digits as they are counted here: no thousands are set apart.
  return raw(unit, undefined, { value: String(value) }) ?? String(value);
}
