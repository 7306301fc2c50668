import { useEffect } from "react";

/** What stands at the foot of every printed page: whose it is, and of which day. */
export function usePrintedAs(text: string | undefined) {
  useEffect(() => {
    if (text === undefined) return;
    const root = document.documentElement.style;
    // As a style sheet writes a text.
    root.setProperty("--printed-as", JSON.stringify(text));
    return () => void root.removeProperty("--printed-as");
  }, [text]);
}
