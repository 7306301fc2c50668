import Form from "antd/es/form";
import Input from "antd/es/input";
import type { Faulty } from "../../app/faulty";
import { KeptNumber } from "../../app/KeptNumber";
import { Screened } from "../../app/Screened";
import { t } from "../../app/wording";
import type { FormPart } from "./Course";
import { Tasks } from "./Tasks";

const NUMBERS = [
  ["job_load_kg", "job-load"],
  ["job_overhead_h", "job-overhead"],
] as const;

/** Work, what it lifts and how high, and the tasks that matter. */
export function Work({
  page,
  story,
  set,
  error,
  faulty,
  fault,
}: FormPart & {
  error: unknown;
  faulty: Faulty;
  fault: (field: string) => string | undefined;
}) {
  return (
    <>
      <div className="form below-10">
        <Form.Item name="work" label={t("work-demands")} className="two-wide">
          <Input maxLength={200} />
        </Form.Item>
        {NUMBERS.map(([field, id]) => (
          <KeptNumber
            key={field}
            keep={field}
            id={id}
            label={t(id)}
            rule={field}
            value={story[field] ?? null}
            onValue={faulty.take(field, (v) => set({ [field]: v }))}
            fault={fault(field)}
          />
        ))}
      </div>
      <Screened text={story.work} />
      <Tasks
        tasks={story.tasks}
        goals={page.goals}
        onChange={(tasks) => set({ tasks })}
        error={error}
        faulty={faulty}
      />
    </>
  );
}
