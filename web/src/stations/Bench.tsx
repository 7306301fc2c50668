import { Link } from "react-router";
import { ProblemNote } from "../app/parts";
import { nameOf, t } from "../app/wording";
import { LoadCurve } from "../pictures/LoadCurve";
import { Facts, HeldNote, Readout } from "./bench/Readout";
import { SetUp } from "./bench/SetUp";
import { Stage } from "./bench/Stage";
import { useBench } from "./bench/useBench";
import { useMotion } from "./bench/useMotion";
import type { Card } from "./bench/words";
import { Notice } from "../app/Notice";

/** One exercise: the moving figure, the load curve, and the numbers that move together along the path. */
export function Bench({ id, cards }: { id: string; cards: Card[] }) {
  const load = useBench(id);
  const motion = useMotion();
  const card = cards.find((c) => c.id === id);
  if (!card)
    return (
      <Notice>
        {t("library-unknown", { id })}{" "}
        <Link to="/library">{t("nav-library")}</Link>
      </Notice>
    );
  const view = load.answer?.view;
  const family = cards
    .filter((c) => c.ladder === card.ladder)
    .sort((a, b) => a.rung - b.rung);
  return (
    <div id="bench" data-exercise={id}>
      <div className="page-head">
        <h1>{nameOf("exercise", id)}</h1>
        <span className="soft">
          {nameOf("ladder", card.ladder)},{" "}
          {t("bench-rung", {
            rung: family.findIndex((c) => c.id === id) + 1,
            count: family.length,
          })}
        </span>
        <span className="right">
          <Link to="/library">{t("bench-back")}</Link>
        </span>
      </div>
      <ProblemNote error={load.error} />
      <div className="bench2">
        <Stage
          card={card}
          cards={cards}
          episode={load.episode}
          motion={motion}
        />
        <section>
          {view && (
            <LoadCurve
              view={view}
              held={load.held?.view}
              at={motion.at}
              onAt={motion.put}
              width={640}
              height={270}
              label={t("bench-curve", { peak: view.curve.peak_nm.toFixed(1) })}
            />
          )}
          <Readout load={load} at={motion.at} />
          <SetUp load={load} card={card} />
          <HeldNote held={load.held} />
          <Facts card={card} cards={cards} load={load} />
        </section>
      </div>
    </div>
  );
}
