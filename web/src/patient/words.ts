import {
  FluentBundle,
  FluentResource,
  type FluentVariable,
} from "@fluent/bundle";
import sentences from "../../../locales/en/phone.ftl?read";

const bundle = new FluentBundle("en", { useIsolating: false });
bundle.addResource(Object.assign(new FluentResource(""), { body: sentences }));

/** A sentence of this page's own catalogue. */
export function t(id: string, args: Record<string, FluentVariable> = {}) {
  const pattern = bundle.getMessage(id)?.value;
  return pattern ? bundle.formatPattern(pattern, args, []) : id;
}

/** A civil date as it is said: *3 February*. */
export function dayWords(date: string) {
  const [, month, day] = date.split("-").map(Number);
  return t("phone-date", {
    day: day ?? 0,
    month: t(`phone-month-${month}`),
  });
}
