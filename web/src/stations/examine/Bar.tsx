import { Link } from "react-router";
import { attr, nameOf, t } from "../../app/wording";
import type { Exam } from "./useExam";
import { opposite } from "./words";

const KEYS = [
  "answer",
  "number",
  "could-not",
  "same-as-other",
  "repeat",
  "neck",
  "other",
  "full",
  "variant",
  "undo",
  "move",
] as const;

/** Short or full plan, which side, and the keys. */
export function Bar({
  exam,
  episode,
  keys,
  onKeys,
}: {
  exam: Exam;
  episode: string;
  keys: boolean;
  onKeys: () => void;
}) {
  const complaint = exam.page.data?.story.complaint;
  return (
    <>
      <div className="exam-bar" role="group" aria-label={t("examine-plan")}>
        {[false, true].map((full) => (
          <button
            key={String(full)}
            className="chip plainchip"
            aria-pressed={exam.full === full}
            onClick={() => exam.setFull(full)}
          >
            {t(full ? "examine-full" : "examine-short")}
          </button>
        ))}{" "}
        <kbd>f</kbd>
        <span className="gap" />
        {[false, true].map((o) => (
          <button
            key={String(o)}
            className="chip plainchip"
            aria-pressed={exam.other === o}
            onClick={() => exam.setOther(o)}
          >
            {t(o ? "examine-other" : "examine-affected", {
              side: o ? opposite(exam.affected) : exam.affected,
            })}
          </button>
        ))}{" "}
        <kbd>o</kbd>
        <span className="gap" />
        {complaint ? (
          <span className="soft">{nameOf("complaint", complaint)}</span>
        ) : (
          <Link to={`/e/${episode}/story`}>{t("examine-no-complaint")}</Link>
        )}
        <button
          className="plain soft push-right"
          aria-expanded={keys}
          onClick={onKeys}
        >
          <kbd>?</kbd> {t("keys")}
        </button>
      </div>
      {keys && (
        <div className="notice keys" id="keys">
          {KEYS.map((k) => (
            <span key={k}>
              <kbd>{attr(`key-${k}`, "key")}</kbd> {t(`key-${k}`)}
            </span>
          ))}
        </div>
      )}
    </>
  );
}
