import { t } from "./wording";

const KEYS = ["1", "2", "3", "4", "5", "6", "7", "8", "9"] as const;

/** Digits to be tapped where there is no keyboard: the same keys the page takes from one. */
export function Keypad({
  onKey,
  sign = false,
}: {
  /** A digit, a point, a sign, or `Backspace`. */
  onKey: (key: string) => void;
  /** Whether a number below nought makes sense. */
  sign?: boolean;
}) {
  const key = (what: string, shown = what, label?: string) => (
    <button
      key={what}
      type="button"
      data-key={what}
      aria-label={label ?? shown}
      onClick={() => onKey(what)}
    >
      {shown}
    </button>
  );
  return (
    <div className="keypad no-print" role="group" aria-label={t("keypad")}>
      {KEYS.map((k) => key(k))}
      {sign
        ? key("-", "±", t("keypad-sign"))
        : key(".", ".", t("keypad-point"))}
      {key("0")}
      {key("Backspace", "⌫", t("keypad-back"))}
    </div>
  );
}
