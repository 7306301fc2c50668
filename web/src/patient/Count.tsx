import { useEffect, useState } from "react";
import { t } from "./words";

/** Counts seconds down, with a short buzz at the end where the phone can. */
export function Count({
  seconds,
  says,
}: {
  seconds: number;
  says: "hold" | "rest";
}) {
  const [ends, setEnds] = useState<number>();
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (ends === undefined) return;
    const beat = window.setInterval(() => {
      const still = Math.ceil((ends - Date.now()) / 1000);
      setLeft(Math.max(0, still));
      if (still > 0) return;
      navigator.vibrate?.(300);
      setEnds(undefined);
    }, 200);
    return () => window.clearInterval(beat);
  }, [ends]);
  return (
    <button
      className={ends === undefined ? "count" : "count on"}
      onClick={() => {
        setLeft(seconds);
        setEnds(ends === undefined ? Date.now() + seconds * 1000 : undefined);
      }}
    >
      {ends === undefined ? t(`phone-${says}-count`, { seconds }) : left}
    </button>
  );
}
