import Form from "antd/es/form";
import { type ReactNode, useEffect, useRef } from "react";
import { ApiProblem } from "./client";
import type { Drafted } from "./drafts";

/** The path of a field inside a form: `story.tasks[1].label` is `tasks`, 1, `label`. */
export function pathOf(field: string, under: string): (string | number)[] {
  const inside = field.startsWith(`${under}.`)
    ? field.slice(under.length + 1)
    : field;
  return inside
    .split(/[.[\]]+/)
    .filter((part) => part !== "")
    .map((part) => (/^\d+$/.test(part) ? Number(part) : part));
}

/** What the server said against each field. */
function faultsOf(error: unknown, under: string) {
  if (!(error instanceof ApiProblem)) return [];
  return error.problem.fields.map((fault) => ({
    name: pathOf(fault.field, under),
    errors: [fault.message],
  }));
}

/**
 * A form on a draft: every field is kept as it is typed; a fault stands at its field, and the first of them gets the
 * focus.
 */
export function DraftForm<T extends object>({
  name,
  draft,
  error,
  under,
  onTouch,
  children,
}: {
  name: string;
  draft: Drafted<T>;
  error: unknown;
  /** What the server's names of the fields begin with. */
  under: string;
  onTouch?: () => void;
  children: ReactNode;
}) {
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!error) return;
    const first = box.current?.querySelector<HTMLElement>(
      "[aria-invalid=true]",
    );
    first?.focus();
    first?.scrollIntoView({ block: "center" });
  }, [error]);
  const faults = faultsOf(error, under);
  const fields = Object.entries(draft.value).map(([key, value]) => ({
    name: [key] as (string | number)[],
    value: value as unknown,
    errors:
      faults.find((f) => f.name.length === 1 && f.name[0] === key)?.errors ??
      [],
  }));
  return (
    <div ref={box}>
      <Form
        name={name}
        component={false}
        layout="vertical"
        requiredMark={false}
        fields={fields}
        onValuesChange={(part: Partial<T>) => {
          onTouch?.();
          draft.set((now) => ({ ...now, ...part }));
        }}
      >
        {children}
      </Form>
    </div>
  );
}
