import Form from "antd/es/form";
import { type ReactNode, useEffect, useLayoutEffect, useRef } from "react";
import { ApiProblem } from "./client";
import type { Drafted } from "./drafts";
import { same } from "./merge";

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

interface FieldFault {
  name: (string | number)[];
  errors: string[];
}

/** What the server said against each field. */
function faultsOf(error: unknown, under: string): FieldFault[] {
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
  const [form] = Form.useForm<T>();
  const { value } = draft;
  // The form's own store leads while somebody types: a value handed back to it a moment late would undo a
  // keystroke. Only
  // what came from elsewhere is written into it.
  useLayoutEffect(() => {
    const shown = form.getFieldsValue(true) as Record<string, unknown>;
    const news = Object.entries(value).filter(([k, v]) => !same(shown[k], v));
    if (news.length > 0)
      form.setFieldsValue(
        Object.fromEntries(news) as Parameters<typeof form.setFieldsValue>[0],
      );
  }, [form, value]);
  const faulty = useRef<FieldFault[]>([]);
  useEffect(() => {
    const faults = faultsOf(error, under);
    const mended = faulty.current.filter((f) => !faults.includes(f));
    form.setFields([
      ...mended.map((f) => ({ name: f.name as never, errors: [] })),
      ...faults.map((f) => ({ name: f.name as never, errors: f.errors })),
    ]);
    faulty.current = faults;
    if (faults.length === 0) return;
    // The fault is drawn first.
    const frame = requestAnimationFrame(() => {
      const first = box.current?.querySelector<HTMLElement>(
        "[aria-invalid=true]",
      );
      first?.focus();
      first?.scrollIntoView({ block: "center" });
    });
    return () => cancelAnimationFrame(frame);
  }, [error, form, under]);
  return (
    <div ref={box}>
      <Form<T>
        form={form}
        name={name}
        component={false}
        layout="vertical"
        requiredMark={false}
        initialValues={value}
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
