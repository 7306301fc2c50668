import Collapse from "antd/es/collapse";
import { NumberField } from "../../app/NumberField";
import type { Rule } from "../../app/numbers";
import { capital, nameOf, t } from "../../app/wording";
import { fives, withFive, type Five } from "./five";

/** What a field may hold before the checks judge it: degrees, weeks, minutes, pain. */
const RULES: Record<string, Rule> = {
  earliest_week: { min: 0, max: 520, decimals: 0 },
  expected_end_week: { min: 0, max: 520, decimals: 0 },
  opens_week: { min: 0, max: 520, decimals: 0 },
  end_of_week: { min: 0, max: 520, decimals: 0 },
  max_minutes: { min: 1, max: 240, decimals: 0 },
  floor: { min: -90, max: 200, decimals: 0 },
  ceiling: { min: -90, max: 200, decimals: 0 },
  max: { min: 0, max: 10, decimals: 1 },
};
const ANY: Rule = { min: -90, max: 520, decimals: 1 };

/** Fields of one owner, row by row. */
function rowsOf(all: Five[], kind: Five["kind"]) {
  const owners = [
    ...new Set(all.filter((f) => f.kind === kind).map((f) => f.owner)),
  ];
  return owners.map((owner) => ({
    owner,
    fields: all.filter((f) => f.kind === kind && f.owner === owner),
  }));
}

/** The numbers that clinics change most, as fields: each changes its digits in the file below, and nothing else of it. */
export function FiveForm({
  text,
  onText,
}: {
  text: string;
  onText: (next: string) => void;
}) {
  const all = fives(text);
  const name = (kind: Five["kind"], owner: string) =>
    kind === "corridor"
      ? nameOf("quantity", owner)
      : kind === "phase"
        ? nameOf("phase", owner)
        : owner;
  const group = (kind: Five["kind"]) => ({
    key: kind,
    label: t(`five-${kind}`),
    forceRender: true,
    children: rowsOf(all, kind).map(({ owner, fields }) => (
      <fieldset key={owner} className="five-row">
        <legend>{capital(name(kind, owner))}</legend>
        {fields.map((f) => (
          <NumberField
            key={`${f.row}-${f.key}`}
            id={`five-${kind}-${owner}-${f.row}-${f.key}`}
            label={`${t(`five-${f.key.replaceAll("_", "-")}`)}${f.row > 0 ? ` ${f.row + 1}` : ""}`}
            rule={RULES[f.key] ?? ANY}
            required
            value={f.value}
            onValue={(next) => {
              if (typeof next === "number" && next !== f.value)
                onText(withFive(text, f, next));
            }}
          />
        ))}
      </fieldset>
    )),
  });
  return (
    <section className="block" id="five">
      <h3>
        {t("five-title")} <span className="soft small">{t("five-lead")}</span>
      </h3>
      <Collapse
        items={[group("corridor"), group("phase"), group("pain")]}
        defaultActiveKey={["corridor"]}
      />
    </section>
  );
}
