import { Keypad } from "../../app/Keypad";
import { answerKey } from "./answerKey";
import { Remark } from "../../app/Remark";
import {
  attr,
  capital,
  nameOf,
  sentence,
  shortDate,
  t,
} from "../../app/wording";
import type { Exam } from "./useExam";
import { answerText, type Card, type Item, opposite } from "./words";

const STOPPED = ["barred", "not_now", "too_provoking"];

/** One test: how it is done, its answers, and what was found before. */
export function CardView({
  exam,
  current,
  today,
}: {
  exam: Exam;
  current: Card;
  today: string;
}) {
  const item = exam.plan.find((i) => i.test === current.id);
  const stopped = item && STOPPED.includes(item.place) && !exam.other;
  return (
    <section
      className="exam-card sheet"
      id="card"
      data-test={current.id}
      aria-live="polite"
    >
      <p className="soft small flush">
        {nameOf("region", current.region)} ·{" "}
        {nameOf("position", current.position)}
        {current.provocation >= 2 ? ` · ${t("provokes")}` : ""} ·{" "}
        <b className="strong-ink">{nameOf("side", exam.side)}</b>
      </p>
      <h2 className="size-25 flush below-8">{nameOf("test", current.id)}</h2>
      <p className="size-17">{attr(`test-${current.id}`, "how")}</p>
      {attr(`test-${current.id}`, "hands") && (
        <p className="soft">
          {t("hands")}: {attr(`test-${current.id}`, "hands")}
        </p>
      )}
      {current.variants.length > 0 && (
        <Variants exam={exam} current={current} />
      )}
      {stopped && <Stopped item={item} />}
      {!(stopped && item.place === "barred") && (
        <Answers exam={exam} current={current} />
      )}
      <Ghosts exam={exam} current={current} item={item} today={today} />
      {exam.kept.length > 0 && (
        <p className="flush above-10">
          <button className="plain" id="undo" onClick={() => void exam.undo()}>
            <kbd>u</kbd> {t("undo")}: {nameOf("test", exam.kept[0]?.test ?? "")}
          </button>
        </p>
      )}
    </section>
  );
}

function Variants({ exam, current }: { exam: Exam; current: Card }) {
  return (
    <p>
      <span className="soft">{t("variant")}:</span>{" "}
      {current.variants.map((v, i) => (
        <button
          key={v}
          className="chip plainchip"
          aria-pressed={i === exam.variant}
          onClick={() => exam.setVariant(i)}
        >
          {nameOf("variant", v)}
        </button>
      ))}{" "}
      <kbd>v</kbd>
    </p>
  );
}

/** Why it is not done now. */
function Stopped({ item }: { item: Item }) {
  return (
    <div
      className={`notice${item.place === "barred" ? " stop" : " decide"}`}
      id="stopped"
    >
      <b>{t(`examine-${item.place.replaceAll("_", "-")}`)}</b>
      <ul>
        {item.reasons.map((r) => (
          <li key={sentence(r)}>{sentence(r)}</li>
        ))}
      </ul>
    </div>
  );
}

/** One key an answer; a number is typed out. */
function Answers({ exam, current }: { exam: Exam; current: Card }) {
  return (
    <div className="exam-answers" role="group" aria-label={t("answers")}>
      {current.answers.map((found, i) => (
        <button
          key={found}
          className="answer"
          data-found={found}
          onClick={() => void exam.keep(current, { kind: "word", found })}
        >
          <kbd>{i + 1}</kbd> {capital(nameOf("found", found))}
        </button>
      ))}
      {current.answers.length === 0 && (
        <button
          className={`answer number${exam.unreadable ? " faulty" : ""}`}
          onClick={exam.enterNumber}
        >
          <span className="num" id="typed">
            {exam.typed === "" ? "–" : exam.typed.replace("-", "−")}
          </span>{" "}
          <span className="soft">
            {current.unit ? nameOf("unit", current.unit) : ""}{" "}
            <span className={exam.unreadable ? "small num bad" : "small num"}>
              {t("from-to", { min: current.min ?? 0, max: current.max ?? 0 })}
            </span>
          </span>{" "}
          <kbd>Enter</kbd>
        </button>
      )}
      {current.answers.length === 0 && (
        <Keypad
          sign={(current.min ?? 0) < 0}
          onKey={(key) => void answerKey(key, exam)}
        />
      )}
      <button
        className="answer could"
        onClick={() => void exam.keep(current, { kind: "could_not" })}
      >
        <kbd>x</kbd> {t("could-not")}
      </button>
      <Remark
        id="finding-remark"
        className="whole-row"
        value={exam.remark}
        onChange={exam.setRemark}
      />
    </div>
  );
}

/** What was found today, at earlier visits, on the other side, and what it speaks about. */
function Ghosts({
  exam,
  current,
  item,
  today,
}: {
  exam: Exam;
  current: Card;
  item: Item | undefined;
  today: string;
}) {
  const here = exam.of(current.id, exam.side);
  const ghosts = here.filter((f) => f.on !== today);
  const across = exam.of(current.id, opposite(exam.side)).at(-1);
  const view = exam.page.data?.view;
  const weighed = (exam.other ? view?.other_findings : view?.findings)?.find(
    (w) => w.finding.test === current.id,
  );
  return (
    <div className="ghosts">
      {here
        .filter((f) => f.on === today)
        .map((f) => (
          <p key={f.id}>
            <b>{t("found-today")}</b> {answerText(f.answer, current.unit)}
          </p>
        ))}
      {weighed?.unused && <p className="bad">{sentence(weighed.unused)}</p>}
      {ghosts.slice(-2).map((f) => (
        <p key={f.id} className="soft">
          {t("found-on", { date: shortDate(f.on) })}{" "}
          {answerText(f.answer, current.unit)}{" "}
          {f === ghosts.at(-1) && (
            <button
              className="plain"
              onClick={() => void exam.keep(current, f.answer)}
            >
              <kbd>r</kbd> {t("again-same")}
            </button>
          )}
        </p>
      ))}
      {across && (
        <p className="soft">
          {t("other-side-found")} {answerText(across.answer, current.unit)}{" "}
          <button
            className="plain"
            onClick={() => void exam.keep(current, across.answer)}
          >
            <kbd>=</kbd> {t("same-here")}
          </button>
        </p>
      )}
      {item && item.about.length > 0 && (
        <p className="soft small">
          {t("speaks-about")}{" "}
          {item.about.map((h) => nameOf("hypothesis", h)).join(", ")}
        </p>
      )}
    </div>
  );
}
