import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { api, ask, type Schemas } from "./client";
import { nameOf } from "./wording";
import { queryKeys } from "./queryKeys";

/** A reason: one of the list, words, or both. */
export interface Reason {
  code: string | undefined;
  words: string;
}

export const NO_REASON: Reason = { code: undefined, words: "" };

/** Whether anything was said. */
export const given = (reason: Reason) =>
  reason.code !== undefined || reason.words.trim() !== "";

/** The reason as it is kept and shown, in one line. */
export function inWords(reason: Reason): string {
  const words = reason.words.trim();
  if (reason.code === undefined) return words;
  const name = nameOf("reason", reason.code);
  return words === "" ? name : `${name}: ${words}`;
}

/** A reason by one key from the list of what may be said here, and words beside it. */
export function Why({
  id,
  of,
  label,
  value,
  onChange,
}: {
  id: string;
  of: Schemas["ReasonFor"];
  label: string;
  value: Reason;
  onChange: (reason: Reason) => void;
}) {
  const reasons = useQuery({
    queryKey: queryKeys.reasons,
    queryFn: () => ask(api.GET("/api/reasons")),
    staleTime: Infinity,
  });
  const list = (reasons.data ?? []).filter((r) => r.uses.includes(of));
  const pick = (code: string) =>
    onChange({ ...value, code: value.code === code ? undefined : code });
  return (
    <div className="why" role="group" aria-label={label}>
      <div className="why-list">
        {list.map((r, i) => (
          <Button
            key={r.id}
            size="small"
            type={value.code === r.id ? "primary" : "default"}
            aria-pressed={value.code === r.id}
            data-reason={r.id}
            onClick={() => pick(r.id)}
          >
            <kbd>{i + 1}</kbd> {nameOf("reason", r.id)}
          </Button>
        ))}
      </div>
      <Input
        id={id}
        size="small"
        aria-label={label}
        placeholder={label}
        value={value.words}
        onKeyDown={(e) => {
          // While nothing is typed a digit is a key of the list.
          const listed = list[Number(e.key) - 1];
          if (value.words !== "" || !listed || e.ctrlKey || e.altKey) return;
          e.preventDefault();
          pick(listed.id);
        }}
        onChange={(e) => onChange({ ...value, words: e.target.value })}
      />
    </div>
  );
}
