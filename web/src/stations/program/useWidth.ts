import { useEffect, useRef, useState } from "react";

/** Below this the weeks run into each other: the chart scrolls instead. */
const LEAST = 760;

/** The width that the chart's frame has, at every size of the window. */
export function useWidth(page: unknown) {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1000);
  useEffect(() => {
    const fit = () =>
      setWidth(Math.max(LEAST, (box.current?.clientWidth ?? 1000) - 2));
    fit();
    window.addEventListener("resize", fit);
    return () => window.removeEventListener("resize", fit);
  }, [page]);
  return { box, width };
}
