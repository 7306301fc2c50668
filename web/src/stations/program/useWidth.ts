import { useCallback, useState } from "react";

/** Below this the weeks run into each other: the chart scrolls instead. */
const LEAST = 760;

/** The width that the chart's frame has, from when it is there, and at every size of it. */
export function useWidth() {
  const [width, setWidth] = useState(1000);
  const box = useCallback((frame: HTMLDivElement) => {
    const fit = () => setWidth(Math.max(LEAST, frame.clientWidth - 2));
    const watch = new ResizeObserver(fit);
    watch.observe(frame);
    fit();
    return () => watch.disconnect();
  }, []);
  return { box, width };
}
