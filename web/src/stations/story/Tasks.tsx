import Button from "antd/es/button";
import Input from "antd/es/input";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import type { Faulty } from "../../app/faulty";
import { NumberField } from "../../app/NumberField";
import { faultAt } from "../../app/parts";
import { capital, nameOf, t } from "../../app/wording";

type Task = Schemas["Task"];

/** Tasks that matter, each with how well it goes and the kind of movement it asks for. */
export function Tasks({
  tasks,
  goals,
  onChange,
  error,
  faulty,
}: {
  tasks: Task[];
  goals: string[];
  onChange: (tasks: Task[]) => void;
  error: unknown;
  faulty: Faulty;
}) {
  const change = (at: number, part: Partial<Task>) =>
    onChange(tasks.map((x, i) => (i === at ? { ...x, ...part } : x)));
  return (
    <>
      <h3 className="flush above-6 below-6">{t("tasks-title")}</h3>
      {tasks.map((task, i) => (
        <div key={i} className="task-row">
          <Input
            aria-label={t("task-label")}
            value={task.label}
            onChange={(e) => change(i, { label: e.target.value })}
          />
          <Choose
            aria-label={t("task-asks")}
            value={task.asks ?? ""}
            onChange={(asks) => change(i, { asks: asks || null })}
            options={[
              { value: "", label: t("task-asks-none") },
              ...goals.map((g) => ({
                value: g,
                label: capital(nameOf("need", g)),
              })),
            ]}
          />
          <NumberField
            bare
            required
            label={t("task-score")}
            rule="task_score"
            value={task.score}
            onValue={faulty.take(`task-${i}`, (v) =>
              change(i, { score: v ?? 0 }),
            )}
            fault={faultAt(error, `story.tasks[${i}].score`)}
          />
          <Button
            onClick={() => {
              faulty.forget(`task-${tasks.length - 1}`);
              onChange(tasks.filter((_, j) => j !== i));
            }}
          >
            {t("remove")}
          </Button>
        </div>
      ))}
      <Button
        size="small"
        id="add-task"
        onClick={() =>
          onChange([...tasks, { label: "", score: 0, asks: null }])
        }
      >
        {t("task-add")}
      </Button>{" "}
      <span className="soft small">{t("task-scale")}</span>
    </>
  );
}
