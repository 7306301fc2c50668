import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, newId, type Schemas } from "../../app/client";
import { useFaulty } from "../../app/faulty";
import { NumberField } from "../../app/NumberField";
import { Field } from "../../app/Field";
import { Pending, ProblemNote } from "../../app/parts";
import { capital, nameOf, t, withUnit } from "../../app/wording";
import { PlanChart } from "../../pictures/PlanChart";
import { queryKeys } from "../../app/queryKeys";

/**
 * Another school, a tighter limit, fewer minutes, a fortnight missed: both programs side by side, the
 * differences marked.
 */
export function WhatIf({
  episode,
  onClose,
  width,
}: {
  episode: string;
  onClose: () => void;
  width: number;
}) {
  const story = useQuery({
    queryKey: queryKeys.story(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [form, setForm] = useState<Form>(NOTHING);
  const fields = useFaulty();
  const [both, setBoth] = useState<Schemas["WhatIf"]>();
  const [error, setError] = useState<unknown>();
  if (!story.data) return <Pending query={story} />;
  const run = async () => {
    if (!fields.clear()) return;
    setError(undefined);
    try {
      setBoth(
        await ask(
          api.POST("/api/episodes/{id}/program/what-if", {
            params: { path: { id: episode } },
            body: variant(form),
          }),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  return (
    <section className="whatif" id="what-if">
      <div className="page-head">
        <h2>{t("what-if-title")}</h2>
        <span className="soft">{t("what-if-lead")}</span>
        <span className="right">
          <Button onClick={onClose}>{t("what-if-close")}</Button>
        </span>
      </div>
      <ProblemNote error={error} />
      <Asked
        story={story.data}
        form={form}
        take={fields.take}
        set={(part) => setForm((now) => ({ ...now, ...part }))}
        onRun={() => void run()}
      />
      {both && (
        <>
          <Changes both={both} />
          <SideBySide both={both} width={Math.floor((width - 58) / 2)} />
        </>
      )}
    </section>
  );
}

interface Form {
  minutes: number | null;
  missed: number | null;
  quantity: string;
  ceiling: number | null;
  until: number | null;
}
const NOTHING: Form = {
  minutes: null,
  missed: null,
  quantity: "passive-elevation",
  ceiling: null,
  until: null,
};

/** What the server is asked to build beside the program as it is. */
function variant(form: Form): Schemas["Variant"] {
  return {
    schools: {},
    modifiers: [],
    minutes_per_day: form.minutes,
    missed_days: form.missed,
    limits:
      form.ceiling === null
        ? []
        : [
            {
              id: newId(),
              quantity: form.quantity,
              ceiling: form.ceiling,
              floor: null,
              until_day: form.until,
              release: null,
              ended_on: null,
            },
          ],
  };
}

/** The questions, minutes, missed days and the limit that would be another. */
function Asked({
  story,
  form,
  take,
  set,
  onRun,
}: {
  story: Schemas["StoryPage"];
  form: Form;
  take: ReturnType<typeof useFaulty>["take"];
  set: (part: Partial<Form>) => void;
  onRun: () => void;
}) {
  const number = (
    field: "minutes" | "missed" | "ceiling" | "until",
    label: string,
    rule: React.ComponentProps<typeof NumberField>["rule"],
  ) => (
    <NumberField
      id={`what-${field}`}
      rule={rule}
      label={label}
      value={form[field]}
      onValue={take(field, (n) => set({ [field]: n }))}
    />
  );
  const dial = story.dials.find((d) => d.quantity === form.quantity);
  return (
    <div className="whatif-form">
      {number("minutes", t("minutes-per-day"), "minutes_per_day")}
      {number("missed", t("what-missed"), "missed_days")}
      <Field label={t("what-limit")} name="quantity">
        <Choose
          id="what-quantity"
          aria-label={t("what-limit")}
          value={form.quantity}
          onChange={(quantity) => set({ quantity })}
          options={story.dials.map((d) => ({
            value: d.quantity,
            label: capital(nameOf("short", d.quantity)),
          }))}
        />
      </Field>
      {number("ceiling", t("what-ceiling"), {
        min: dial?.min ?? -180,
        max: dial?.max ?? 200,
        decimals: 1,
        unit: dial?.unit === "level" ? undefined : "°",
      })}
      {number("until", t("limit-until-day"), "until_day")}
      <Button type="primary" id="what-run" onClick={onRun}>
        {t("what-run")}
      </Button>
    </div>
  );
}

/** What a value of a change reads as. */
function moved(m: Schemas["Moved"], v: number | null | undefined): string {
  if (v == null) return m.kind === "ceiling" ? t("ceiling-gone") : "–";
  if (m.kind !== "ceiling")
    return t("week-day-short", { week: Math.floor(v / 7), day: v });
  return v === 0 ? t("barred") : withUnit(m.what, v);
}

/** What a change is of. */
function named(m: Schemas["Moved"]): string {
  switch (m.kind) {
    case "ceiling":
      return `${capital(nameOf("short", m.what))}, ${t("day-n", { day: m.day ?? 0 })}`;
    case "sling":
      return t("chart-nights");
    case "gate":
      return t("gate-title", { gate: m.what });
    default:
      return nameOf("phase", m.what);
  }
}

/** What the variant moves, as a table. */
export function Changes({ both }: { both: Schemas["WhatIf"] }) {
  const exercises = (change: Schemas["PlanDifference"]["change"]) =>
    both.exercises.filter((d) => d.change === change).length;
  return (
    <>
      {both.moved.length === 0 && both.exercises.length === 0 ? (
        <p id="what-same">{t("what-same")}</p>
      ) : (
        <table className="criteria moved" id="what-moved">
          <thead>
            <tr>
              <th>{t("what-moves")}</th>
              <th>{t("what-as-is")}</th>
              <th>{t("what-variant")}</th>
            </tr>
          </thead>
          <tbody>
            {both.moved.map((m, i) => (
              <tr key={i}>
                <td>{named(m)}</td>
                <td className="num">{moved(m, m.base)}</td>
                <td className="num">
                  <b>{moved(m, m.variant)}</b>
                </td>
              </tr>
            ))}
            {both.exercises.length > 0 && (
              <tr>
                <td>{t("what-exercises")}</td>
                <td className="num">
                  {t("what-removed", { n: exercises("removed") })}
                </td>
                <td className="num">
                  <b>
                    {t("what-added", { n: exercises("added") })},{" "}
                    {t("what-changed", { n: exercises("moved") })}
                  </b>
                </td>
              </tr>
            )}
          </tbody>
        </table>
      )}
    </>
  );
}

/** Both programs, the exercises that differ marked. */
function SideBySide({
  both,
  width,
}: {
  both: Schemas["WhatIf"];
  width: number;
}) {
  const changed = new Set(both.exercises.map((d) => d.exercise));
  return (
    <div className="side-by-side">
      {(
        [
          ["base", t("what-as-is")],
          ["variant", t("what-variant")],
        ] as const
      ).map(([key, title]) => (
        <div key={key}>
          <h3>{title}</h3>
          <div className="chart-wrap">
            <PlanChart
              view={both[key]}
              selected={undefined}
              onSelect={() => undefined}
              window={[0, Math.max(both.base.end_day, both.variant.end_day)]}
              width={width}
              small
              marked={changed}
            />
          </div>
        </div>
      ))}
    </div>
  );
}
