import {
  FluentBundle,
  FluentResource,
  type FluentVariable,
} from "@fluent/bundle";
import english from "../../../locales/en/phone.ftl?read";
import italian from "../../../locales/it/phone.ftl?read";
import type { components } from "../api/schema";

/** A language that the page can be in. */
export type Language = components["schemas"]["Language"];

function bundle(code: string, sentences: FluentResource["body"]) {
  const made = new FluentBundle(code, { useIsolating: false });
  made.addResource(Object.assign(new FluentResource(""), { body: sentences }));
  return { code, made };
}
const BUNDLES = {
  english: bundle("en-GB", english),
  italian: bundle("it-IT", italian),
};

/** What the telephone itself speaks: until somebody is let in nobody knows what they read. */
export const own = (): Language =>
  navigator.language.startsWith("it") ? "italian" : "english";

let spoken: Language = "english";

/** The language that the page is in. */
export const speaks = () => spoken;

/** Says everything in a language from now on. */
export function speak(language: Language) {
  spoken = language;
  document.documentElement.lang = BUNDLES[language].code;
  document.title = t("phone-title");
}

/** A sentence of this page's own catalogue. */
export function t(id: string, args: Record<string, FluentVariable> = {}) {
  const { made } = BUNDLES[spoken];
  const pattern = made.getMessage(id)?.value;
  return pattern ? made.formatPattern(pattern, args, []) : id;
}

/** A civil date as it is said: *3 February*. */
export function dayWords(date: string) {
  const [, month, day] = date.split("-").map(Number);
  return t("phone-date", {
    day: day ?? 0,
    month: t(`phone-month-${month}`),
  });
}
