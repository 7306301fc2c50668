import type { Exam } from "./useExam";
import { type Finding, opposite } from "./words";

/** Keys that answer the test in hand. */
export function answerKey(key: string, exam: Exam): boolean {
  const { current, typed, setTyped } = exam;
  if (!current) return false;
  const numeric = current.answers.length === 0;
  const word = numeric ? undefined : current.answers[Number(key) - 1];
  const take = (finding: Finding | undefined) => {
    if (finding) void exam.keep(current, finding.answer);
  };
  if (numeric && /^[0-9.,]$/.test(key))
    setTyped((now) => (now.length < 6 ? now + key : now));
  else if (numeric && key === "-")
    setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
  else if (numeric && key === "Backspace") setTyped((now) => now.slice(0, -1));
  else if (numeric && key === "Enter" && typed !== "") exam.enterNumber();
  else if (word) void exam.keep(current, { kind: "word", found: word });
  else if (key === "x") void exam.keep(current, { kind: "could_not" });
  else if (key === "=") take(exam.of(current.id, opposite(exam.side)).at(-1));
  else if (key === "r") take(exam.of(current.id, exam.side).at(-1));
  else return false;
  return true;
}
