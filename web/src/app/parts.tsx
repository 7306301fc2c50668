import Skeleton from "antd/es/skeleton";
import { ApiProblem, type Problem } from "./client";
import { nameOf, sentence, t } from "./wording";
import { Notice } from "./Notice";

/** Something is on its way. */
export function Waiting() {
  return (
    <div role="status" className="waiting">
      <span className="unseen">{t("waiting")}</span>
      <Skeleton paragraph={{ rows: 3 }} />
    </div>
  );
}

/** A page whose data is not there yet: on its way, refused, or asked for again while the database is away. */
export function Pending({
  query,
}: {
  query: { error: unknown; failureReason: unknown };
}) {
  const why = query.error ?? query.failureReason;
  return (
    <>
      {why ? <ProblemNote error={why} /> : null}
      {query.error ? null : <Waiting />}
    </>
  );
}

/** The name of a field as the form shows it; its path where it has none. */
function fieldName(path: string): string {
  const last =
    path
      .replace(/\[\d+\]/g, "")
      .split(".")
      .pop() ?? path;
  const name = nameOf("field", last);
  return name === last
    ? path.replace(/^story\./, "").replaceAll("_", " ")
    : name;
}

/** What went wrong, which fields, which rules. */
export function ProblemNote({ error }: { error: unknown }) {
  if (!error) return null;
  return (
    <Notice role="alert" id="problem" kind="stop">
      {error instanceof ApiProblem ? (
        <ProblemText problem={error.problem} />
      ) : (
        String(error)
      )}
    </Notice>
  );
}

/** A problem in words: its sentence, and the rules or fields behind it. */
export function ProblemText({ problem }: { problem: Problem }) {
  const { title, fields, reasons } = problem;
  const rules = [...new Set(reasons.map(sentence))];
  return (
    <>
      <b>{title}</b>
      {rules.length > 0 && (
        <ul>
          {rules.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      )}
      {fields.length > 0 && rules.length === 0 && (
        <ul>
          {fields.map((f) => (
            <li key={f.field + f.code}>
              <b>{fieldName(f.field)}</b>: {f.message}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

/** What the server said against a field. */
export function faultAt(error: unknown, field: string): string | undefined {
  return error instanceof ApiProblem
    ? error.problem.fields.find((f) => f.field === field)?.message
    : undefined;
}

/** Fields that hold nothing, told in the server's own form before anything is sent. */
export function missingFields(fields: string[]): ApiProblem {
  return new ApiProblem({
    type: "urn:ritorno:problem:invalid",
    title: t("problem-invalid"),
    status: 422,
    reasons: [],
    fields: fields.map((field) => ({
      field,
      code: "empty",
      message: t("fault-empty"),
    })),
  });
}

/** Nought to ten, one tap. */
export function Ten({
  label,
  onPick,
  picked,
  max = 10,
}: {
  label: string;
  onPick: (n: number) => void;
  picked?: number | undefined;
  max?: number;
}) {
  return (
    <span role="group" aria-label={label} className="ten">
      {Array.from({ length: max + 1 }, (_, n) => (
        <button
          key={n}
          className="yn num"

          aria-pressed={picked === n}
          aria-label={`${label} ${n}`}
          onClick={() => onPick(n)}
        >
          {n}
        </button>
      ))}
    </span>
  );
}
