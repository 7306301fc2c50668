import { useState } from "react";

interface Drag {
  line: string;
  x: number;
  end: boolean;
  days: number;
}

/** A line that is being dragged: by its body it moves, by its end it stretches; whole days. */
export function usePull(
  perDay: number,
  onMove?: (line: string, from: number, to: number) => void,
) {
  const [drag, setDrag] = useState<Drag>();
  return {
    drag,
    moves: onMove !== undefined,
    begin:
      (line: string, end: boolean) => (e: React.PointerEvent<SVGElement>) => {
        if (!onMove || e.button !== 0) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        setDrag({ line, x: e.clientX, end, days: 0 });
      },
    along: (e: React.PointerEvent) =>
      drag &&
      setDrag({ ...drag, days: Math.round((e.clientX - drag.x) / perDay) }),
    drop: () => {
      if (drag && drag.days !== 0)
        onMove?.(drag.line, drag.end ? 0 : drag.days, drag.days);
      setDrag(undefined);
    },
    cancel: () => setDrag(undefined),
  };
}

export type Pull = ReturnType<typeof usePull>;
