import Slider from "antd/es/slider";
import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useEffect, useMemo, useRef } from "react";
import { Link } from "react-router";
import { Pending } from "../../app/parts";
import { useSpoken } from "../../app/spoken";
import { nameOf, t } from "../../app/wording";
import type { Motion } from "./useMotion";
import type { Card } from "./words";
import { queryKeys } from "../../app/queryKeys";

/** Steps of the drawing that are sent at once. */
const STEPS = 24;

/** The moving figure with its words, and the way to the rungs beside it. */
export function Stage({
  card,
  cards,
  episode,
  motion,
}: {
  card: Card;
  cards: Card[];
  episode: string | null;
  motion: Motion;
}) {
  const { id } = card;
  const { at, playing } = motion;
  const { exercise } = useSpoken();
  const stage = useRef<HTMLDivElement>(null);
  const figure = useQuery({
    queryKey: queryKeys.figure(id, episode),
    queryFn: async () =>
      (
        await fetch(
          `/api/exercises/${id}/figure?moving=true${episode ? `&episode=${episode}` : ""}`,
        )
      ).text(),
    staleTime: Infinity,
  });
  // Which step of the drawing is seen: nothing is asked of the server while the cursor moves.
  const step = Math.round((at / 100) * STEPS);
  useEffect(() => {
    stage.current?.querySelectorAll<SVGGElement>("[data-step]").forEach((g) => {
      g.style.display = Number(g.dataset["step"]) === step ? "inline" : "none";
    });
  }, [step, figure.data]);
  const still = useMemo(
    () => window.matchMedia("(prefers-reduced-motion: reduce)").matches,
    [],
  );
  const before = cards.filter((c) => c.next.includes(id));
  return (
    <section>
      <div className="stage" ref={stage}>
        {figure.data ? (
          <div dangerouslySetInnerHTML={{ __html: figure.data }} />
        ) : (
          <Pending query={figure} />
        )}
      </div>
      <p className="row below-14 above-8">
        {!still && (
          <Button size="small" onClick={motion.play}>
            {t(playing ? "bench-stop" : "bench-play")}
          </Button>
        )}
        <Slider
          className="grow"
          value={at}
          tooltip={{ open: false }}
          ariaLabelForHandle={t("bench-along")}
          onChange={motion.put}
        />
      </p>
      <p className="flush below-4">{exercise(id, "start")}</p>
      <p className="flush below-10">{exercise(id, "how")}</p>
      <p className="small soft flush">
        {t("bench-task")} {exercise(id, "task")}
      </p>
      {card.faults.length > 0 && (
        <p className="small flush above-8">
          <b>{t("bench-faults")}</b>{" "}
          {card.faults.map((f) => nameOf("fault", f)).join(", ")}.
        </p>
      )}
      {card.beware.length > 0 && (
        <p className="small bad flush above-8">
          <b>{t("bench-beware")}</b>{" "}
          {card.beware.map((b) => nameOf("beware", b)).join(", ")}.
        </p>
      )}
      <nav className="steps-nav" aria-label={t("bench-ladder")}>
        {before.map((c) => (
          <Link key={c.id} to={`/library/${c.id}`}>
            ← {nameOf("exercise", c.id)}
          </Link>
        ))}
        {card.next.map((n) => (
          <Link key={n} to={`/library/${n}`}>
            {nameOf("exercise", n)} →
          </Link>
        ))}
      </nav>
    </section>
  );
}
