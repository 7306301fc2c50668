import Checkbox from "antd/es/checkbox";
import { t } from "../../app/wording";

/** How sheets are printed here; kept in this browser, since paper and printer stay where they are. */
const KEPT = "ritorno-sheet-form";
export type SheetForm = ("large" | "letter")[];
const ALL: SheetForm = ["large", "letter"];

export function keptForm(): SheetForm {
  const kept = (localStorage.getItem(KEPT) ?? "").split(" ");
  return ALL.filter((one) => kept.includes(one));
}

/** A form as the address of a sheet takes it. */
export const asked = (form: SheetForm) => ({
  large: form.includes("large"),
  letter: form.includes("letter"),
});

/** The same behind the address itself. */
export const asQuery = (form: SheetForm) =>
  form.length === 0 ? "" : `?${form.map((one) => `${one}=true`).join("&")}`;

/** Large print, and the paper of North America. */
export function SheetFormChoice({
  form,
  onChange,
}: {
  form: SheetForm;
  onChange: (form: SheetForm) => void;
}) {
  return (
    <Checkbox.Group
      options={ALL.map((value) => ({ value, label: t(`sheet-${value}`) }))}
      value={form}
      onChange={(next: string[]) => {
        const chosen = ALL.filter((one) => next.includes(one));
        localStorage.setItem(KEPT, chosen.join(" "));
        onChange(chosen);
      }}
    />
  );
}
