import Checkbox from "antd/es/checkbox";
import type { Schemas } from "../../app/client";
import type { Faulty } from "../../app/faulty";
import { NumberField } from "../../app/NumberField";
import { faultAt } from "../../app/parts";
import { nameOf, t } from "../../app/wording";

type Page = Schemas["StoryPage"];
const NUMBERS = [
  ["minutes_per_day", "minutes-per-day", "minutes-per-day"],
  ["job_load_kg", "job-load", "job-load"],
  ["job_overhead_h", "job-overhead", "job-overhead"],
  ["slips_per_week", "slips-per-week", "slips-per-week"],
] as const;

/** What else was done, what time there is, and where practitioners disagree. */
export function Choices({
  page,
  story,
  set,
  error,
  faulty,
}: {
  page: Page;
  story: Schemas["Story"];
  set: (part: Partial<Schemas["Story"]>) => void;
  error: unknown;
  faulty: Faulty;
}) {
  const saved = story.pathway === page.story.pathway;
  const schools = story.schools ?? {},
    modifiers = story.modifiers ?? [];
  return (
    <>
      {saved && page.modifiers.length > 0 && (
        <>
          <h3 className="flush above-14 below-6">
            {t("modifiers-title")}{" "}
            <span className="soft small">{t("modifiers-lead")}</span>
          </h3>
          <div className="ticks">
            {page.modifiers.map((m) => (
              <Checkbox
                key={m}
                checked={modifiers.includes(m)}
                onChange={(e) =>
                  set({
                    modifiers: e.target.checked
                      ? [...modifiers, m]
                      : modifiers.filter((x) => x !== m),
                  })
                }
              >
                {nameOf("modifier", m)}
              </Checkbox>
            ))}
          </div>
        </>
      )}
      <h3 className="flush above-14 below-6">{t("time-title")}</h3>
      <div className="form">
        {NUMBERS.map(([field, label, id]) => (
          <NumberField
            key={field}
            id={id}
            label={t(label)}
            rule={field}
            value={story[field] ?? null}
            onValue={faulty.take(field, (v) => set({ [field]: v }))}
            fault={faultAt(error, `story.${field}`)}
          />
        ))}
      </div>
      {saved && page.questions.length > 0 && (
        <>
          <h3 className="flush above-14 below-6">
            {t("schools-title")}{" "}
            <span className="soft small">{t("schools-lead")}</span>
          </h3>
          <div className="schools">
            {page.questions.map((q) => (
              <Question
                key={q.id}
                question={q}
                chosen={schools[q.id]}
                onChoose={(id) => set({ schools: { ...schools, [q.id]: id } })}
              />
            ))}
          </div>
        </>
      )}
    </>
  );
}

/** A question on which practitioners disagree, and the school that holds. */
function Question({
  question: q,
  chosen,
  onChoose,
}: {
  question: Page["questions"][number];
  chosen: string | undefined;
  onChoose: (id: string) => void;
}) {
  const holds = chosen ?? q.schools.find((s) => s.default)?.id ?? q.holds;
  const school = q.schools.find((s) => s.id === holds);
  return (
    <label className="school">
      <span>{nameOf("question", q.id)}</span>
      <select
        className="native"
        id={`school-${q.id}`}
        value={holds}
        onChange={(e) => onChoose(e.target.value)}
      >
        {q.schools.map((s) => (
          <option key={s.id} value={s.id}>
            {nameOf("school", s.id)}
            {s.default ? ` (${t("school-default")})` : ""}
          </option>
        ))}
      </select>
      <span className="soft small">
        {t(school?.why ?? "")}{" "}
        {t("school-source", {
          source: school?.source ?? "",
          confidence: school?.confidence ?? "",
        })}
      </span>
    </label>
  );
}
