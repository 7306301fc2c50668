import "../app/stationWords";
import "../../../locales/en/stations/examine.ftl?learn";
import { useEffect, useRef } from "react";
import { SaveMark } from "../app/entries";
import { useShortcuts } from "../app/keys";
import { Pending, ProblemNote } from "../app/parts";
import { t } from "../app/wording";
import { Bar } from "./examine/Bar";
import { CardView } from "./examine/CardView";
import { List } from "./examine/List";
import { SoFar } from "./examine/SoFar";
import { ExamineTabs } from "./examine/Tabs";
import { answerKey } from "./examine/answerKey";
import { type Exam, useExam } from "./examine/useExam";
import { useReady } from "../app/useReady";

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

/** Tests in the order of the plan: one key an answer, and on to the next. */
export function Examine({
  episode,
  today,
}: {
  episode: string;
  today: string;
}) {
  const exam = useExam(episode, today);
  const box = useRef<HTMLDivElement>(null);
  useShortcuts((e) => answerKey(e.key, exam) || roomKey(e.key, exam), KEYS);
  const { sequence, page, cards, current, open } = exam;
  useEffect(() => {
    // From the key to the moved beam on the screen, for docs/BENCH.md.
    const { pressed } = sequence.current;
    if (pressed > 0 && box.current)
      requestAnimationFrame(() => {
        if (box.current)
          box.current.dataset["answerMs"] = (
            performance.now() - pressed
          ).toFixed(1);
      });
    sequence.current.pressed = 0;
  }, [page.data, sequence]);
  const ready = useReady(page.data !== undefined && cards.data !== undefined);
  if (!page.data || !cards.data || !ready)
    return <Pending query={page.data ? cards : page} />;
  const minutes = open.reduce((sum, i) => sum + i.minutes, 0);
  return (
    <div ref={box} id="examine">
      <div className="page-head">
        <h1>{t("examine-title")}</h1>
        <span className="soft num" id="minutes">
          {open.length === 0
            ? t("examine-plan-done")
            : t("examine-left", {
                minutes: Number(minutes.toFixed(1)),
                count: open.length,
              })}
        </span>
        <SaveMark state={exam.state} />
        <ExamineTabs episode={episode} at="tests" />
      </div>
      <Bar exam={exam} episode={episode} />
      <ProblemNote error={exam.error} />
      <div className="exam">
        <List exam={exam} />
        {current && <CardView exam={exam} current={current} today={today} />}
        <SoFar view={page.data.view} episode={episode} />
      </div>
    </div>
  );
}

/** Keys of the room: move, change side or plan, take back. */
function roomKey(key: string, exam: Exam): boolean {
  const neck = exam.byId.get("neck-screen");
  const variants = exam.current?.variants.length ?? 0;
  if (key === "c" && neck)
    void exam.keep(neck, { kind: "word", found: "nothing" });
  else if (key === "o") {
    exam.setOther((now) => !now);
    exam.setTyped("");
  } else if (key === "f") exam.setFull((now) => !now);
  else if (key === "v")
    exam.setVariant((now) => (now + 1) % Math.max(1, variants));
  else if (key === "u") void exam.undo();
  else if (key === "Escape") exam.setTyped("");
  else if (key === "ArrowDown" || key === "n") exam.step(1);
  else if (key === "ArrowUp") exam.step(-1);
  else return false;
  return true;
}
