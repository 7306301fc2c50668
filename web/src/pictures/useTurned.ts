import { type PointerEvent, useRef } from "react";

/** How far a finger moves before it is a drag and no tap, in pixels. */
const TAP = 6;

/** Handlers of a picture that is turned by a finger: `read` gives the value at a place of the drawing. */
export function useTurned(
  read: (x: number, y: number) => number,
  onTurn: ((value: number) => void) | undefined,
) {
  const begun = useRef<[number, number]>(undefined);
  const moved = useRef(false);
  if (!onTurn) return {};
  const move = (e: PointerEvent<SVGSVGElement>) => {
    const from = begun.current;
    if (!from) return;
    const far = Math.hypot(e.clientX - from[0], e.clientY - from[1]) > TAP;
    if (!far && !moved.current) return;
    moved.current = true;
    const matrix = e.currentTarget.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(
      matrix.inverse(),
    );
    onTurn(read(at.x, at.y));
  };
  return {
    className: "turned",
    onPointerDown: (e: PointerEvent<SVGSVGElement>) => {
      begun.current = [e.clientX, e.clientY];
      moved.current = false;
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove: move,
    onPointerUp: () => {
      begun.current = undefined;
    },
    onPointerCancel: () => {
      begun.current = undefined;
    },
    // The dial around it takes the hand by a tap; a drag is none.
    onClick: (e: { stopPropagation: () => void }) => {
      if (moved.current) e.stopPropagation();
    },
  };
}
