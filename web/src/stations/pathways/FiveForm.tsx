import Collapse from "antd/es/collapse";
import { NumberField } from "../../app/NumberField";
import type { Rule } from "../../app/numbers";
import { capital, nameOf, t } from "../../app/wording";
import { fives, withFive, type Five } from "./five";

/** Any number is taken into the file: what may stand there is for the checks to say, which know the pathway. */
const ANY: Rule = { min: -Infinity, max: Infinity, decimals: 1 };
/** As a row is read: until when, then from where to where. */
const ORDER = ["earliest_week", "expected_end_week", "end_of_week", "floor"];
const place = (f: Five) => ORDER.indexOf(f.key) + 1 || ORDER.length + 1;

/** What belongs to the whole comes first, then row by row. */
function rowsIn(fields: Five[]): Five[][] {
  const rowOf = (f: Five) => (f.key === "opens_week" ? -1 : f.row);
  const rows = [...new Set(fields.map(rowOf))].sort((a, b) => a - b);
  return rows.map((row) =>
    fields.filter((f) => rowOf(f) === row).sort((a, b) => place(a) - place(b)),
  );
}

/** Fields of one owner, row by row. */
function rowsOf(all: Five[], kind: Five["kind"]) {
  const owners = [
    ...new Set(all.filter((f) => f.kind === kind).map((f) => f.owner)),
  ];
  return owners.map((owner) => ({
    owner,
    rows: rowsIn(all.filter((f) => f.kind === kind && f.owner === owner)),
  }));
}

/** The numbers that clinics change most: each field changes its digits in the file below, and nothing else. */
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
    children: rowsOf(all, kind).map(({ owner, rows }) => (
      <fieldset key={owner} className="five-row">
        <legend>{capital(name(kind, owner))}</legend>
        {rows.map((fields, row) => (
          <div key={row} className="five-cells">
            {fields.map((f) => (
              <NumberField
                key={f.key}
                id={`five-${kind}-${owner}-${f.row}-${f.key}`}
                label={t(`five-${f.key.replaceAll("_", "-")}`)}
                rule={ANY}
                required
                value={f.value}
                onValue={(next) => {
                  if (typeof next === "number" && next !== f.value)
                    onText(withFive(text, f, next));
                }}
              />
            ))}
          </div>
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
