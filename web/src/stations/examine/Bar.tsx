import { Link } from "react-router";
import { nameOf, t } from "../../app/wording";
import type { Exam } from "./useExam";
import { opposite } from "./words";

/** Short or full plan, and which side. */
export function Bar({ exam, episode }: { exam: Exam; episode: string }) {
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
      </div>
    </>
  );
}
