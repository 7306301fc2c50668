import { useState } from "react";
import { drawingOf, type Exercise } from "./server";
import { t } from "./words";

/** How an exercise goes: still, with where it begins and ends; moving once somebody asks for it. */
export function Drawing({ exercise }: { exercise: Exercise }) {
  const [moving, setMoving] = useState(false);
  return (
    <>
      <img
        className="figure"
        id="drawing"
        src={drawingOf(exercise.id, moving)}
        alt={exercise.alt}
        // Without a network what was never shown moving stays still.
        onError={() => setMoving(false)}
      />
      <button
        className="plain"
        id="move"
        aria-pressed={moving}
        onClick={() => setMoving(!moving)}
      >
        {t(moving ? "phone-still" : "phone-move")}
      </button>
    </>
  );
}
