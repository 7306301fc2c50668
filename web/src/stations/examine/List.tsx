import { useState } from "react";
import { nameOf, t } from "../../app/wording";
import type { Exam } from "./useExam";
import { answerText, type Item } from "./words";

/** The plan: the core, what tells most next, what is done, what waits and what is barred. */
export function List({ exam }: { exam: Exam }) {
  const { groups } = exam;
  const shown = [
    ["core", groups.core],
    ["then", groups.optional],
    ["done", groups.done],
  ] as const;
  return (
    <nav className="exam-list" aria-label={t("examine-plan")}>
      {shown.map(
        ([name, items]) =>
          items.length > 0 && (
            <section key={name}>
              <h3>
                {t(`examine-${name}`)}{" "}
                <span className="soft small num">{items.length}</span>
              </h3>
              {items.map((i) => (
                <Row key={i.test} item={i} exam={exam} />
              ))}
            </section>
          ),
      )}
      <Later name="later" items={groups.later} go={exam.go} />
      <Later name="barred" items={groups.barred} go={exam.go} />
    </nav>
  );
}

function Row({ item: i, exam }: { item: Item; exam: Exam }) {
  const on = i.test === exam.current?.id;
  return (
    <button
      className={`exam-item${on ? " on" : ""}`}
      data-test={i.test}
      aria-current={on}
      onClick={() => exam.go(i.test)}
    >
      <span>{nameOf("test", i.test)}</span>
      <State item={i} exam={exam} />
    </button>
  );
}

/** What was found, that it is on its way, or what it would tell. */
function State({ item: i, exam }: { item: Item; exam: Exam }) {
  const found = exam.of(i.test, exam.affected).at(-1);
  if (i.place === "done" && found)
    return (
      <b>{answerText(found.answer, exam.byId.get(i.test)?.unit ?? null)}</b>
    );
  if (exam.waiting.has(i.test)) return <b>{t("sent")}</b>;
  return (
    <span className="soft num">
      {i.place === "optional" && i.gain_bits > 0
        ? t("examine-bits", {
            bits: i.gain_bits.toFixed(2),
            minutes: i.minutes.toFixed(1),
          })
        : t("examine-min", { minutes: i.minutes })}
    </span>
  );
}

function Later({
  name,
  items,
  go,
}: {
  name: string;
  items: Item[];
  go: (test: string) => void;
}) {
  const [shown, setShown] = useState(false);
  if (items.length === 0) return null;
  return (
    <section>
      <button
        className="plain"
        aria-expanded={shown}
        onClick={() => setShown((now) => !now)}
      >
        <h3>
          {shown ? "▾" : "▸"} {t(`examine-${name}`)}{" "}
          <span className="soft small num">{items.length}</span>
        </h3>
      </button>
      {shown &&
        items.map((i) => (
          <button
            key={i.test}
            className="exam-item soft"
            data-test={i.test}
            onClick={() => go(i.test)}
          >
            <span>{nameOf("test", i.test)}</span>
          </button>
        ))}
    </section>
  );
}
