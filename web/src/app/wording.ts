import {
  FluentBundle,
  FluentResource,
  type FluentVariable,
} from "@fluent/bundle";
import type { components } from "../api/schema";
import names from "../../../locales/en/names.ftl?raw";
import problems from "../../../locales/en/problems.ftl?raw";
import rules from "../../../locales/en/rules.ftl?raw";
import screens from "../../../locales/en/screens.ftl?raw";

export type Reason = components["schemas"]["Reason"];
export type Args = Record<string, string | number>;

/** The language of the catalogues; how dates are said follows the one that `locale` names. */
const bundle = new FluentBundle("en", { useIsolating: false });
/** Takes a catalogue in; its sentences are known from then on. */
export function learn(text: string) {
  bundle.addResource(new FluentResource(text));
}
[names, problems, rules, screens].forEach(learn);

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

const inWords = new Map<string, Intl.DateTimeFormat>();

/** A day or a moment in the words of the catalogues' own language. */
export function dated(when: Date, options: Intl.DateTimeFormatOptions): string {
  const key = JSON.stringify(options);
  const known =
    inWords.get(key) ?? new Intl.DateTimeFormat(t("locale"), options);
  inWords.set(key, known);
  return known.format(when);
}

/** Noon of a day, so that no time zone moves it to another. */
export const noon = (iso: string) => new Date(`${iso}T12:00`);

const DAY = { day: "numeric", month: "short", year: "numeric" } as const;

/** A date as it is said: *6 Feb 2027*. */
export function shortDate(iso: string): string {
  return dated(noon(iso), DAY);
}

/** A moment as it is said: *6 Feb 2027, 14:05*. */
export function moment(iso: string): string {
  const when = new Date(iso);
  const time = dated(when, { hour: "2-digit", minute: "2-digit" });
  return `${dated(when, DAY)}, ${time}`;
}

/** A measurement of a quantity with its unit. */
export function withUnit(quantity: string, value: number): string {
  const unit =
    quantity === "hand-behind-back" ? "measured-level" : "measured-deg";
  // Digits as they are counted here: no thousands are set apart.
  return raw(unit, undefined, { value: String(value) }) ?? String(value);
}
