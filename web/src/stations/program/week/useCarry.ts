import { useRef, useState, type PointerEvent } from "react";

/** A chip that is carried to another day. */
interface Carried {
  line: string;
  from: number;
  /** Where the finger is; nothing beside the week. */
  over: number | undefined;
}

/** So far a finger may slip before it carries something, in pixels. */
const SLIP = 6;

/** The day that lies under a point. */
function dayAt(x: number, y: number): number | undefined {
  const column = document.elementFromPoint(x, y)?.closest("[data-weekday]");
  const day = Number(column?.getAttribute("data-weekday"));
  return day > 0 ? day : undefined;
}

/** Carries a chip from its day to another, by mouse, pen or finger. */
export function useCarry(
  onMove: (line: string, from: number, to: number) => void,
) {
  const [carried, setCarried] = useState<Carried>();
  const began = useRef<{ x: number; y: number }>(undefined);
  // A click follows what was carried: it chooses nothing.
  const slid = useRef(false);
  const end = () => {
    began.current = undefined;
    setCarried(undefined);
  };
  return {
    carried,
    slid: () => slid.current,
    of: (line: string, from: number) => ({
      onPointerDown: (e: PointerEvent<HTMLElement>) => {
        slid.current = false;
        if (e.button !== 0) return;
        began.current = { x: e.clientX, y: e.clientY };
        e.currentTarget.setPointerCapture(e.pointerId);
      },
      onPointerMove: (e: PointerEvent<HTMLElement>) => {
        const at = began.current;
        if (!at) return;
        const far = Math.hypot(e.clientX - at.x, e.clientY - at.y) > SLIP;
        if (!slid.current && !far) return;
        slid.current = true;
        setCarried({ line, from, over: dayAt(e.clientX, e.clientY) });
      },
      onPointerUp: (e: PointerEvent<HTMLElement>) => {
        const to =
          slid.current && began.current
            ? dayAt(e.clientX, e.clientY)
            : undefined;
        end();
        if (to !== undefined) onMove(line, from, to);
      },
      onPointerCancel: end,
    }),
  };
}
