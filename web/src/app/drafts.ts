import { useCallback, useEffect, useRef, useState } from "react";
import { draftShelf } from "./browserDb";

/**
 * A text that is being written: kept in the browser at every stroke, and there again when the page comes back.
 *
 * An empty text is kept nowhere.
 */
export function useDraftText(key: string): [string, (text: string) => void] {
  const [text, setText] = useState("");
  const touched = useRef(false);
  useEffect(() => {
    touched.current = false;
    let gone = false;
    setText("");
    void draftShelf.all().then((all) => {
      const kept = all.find((d) => d.key === key);
      // What is typed meanwhile is newer than what was kept.
      if (kept && !gone && !touched.current) setText(kept.text);
    });
    return () => {
      gone = true;
    };
  }, [key]);
  const write = useCallback(
    (next: string) => {
      touched.current = true;
      setText(next);
      if (next === "") void draftShelf.remove(key);
      else
        void draftShelf.put({
          key,
          text: next,
          since: new Date().toISOString(),
        });
    },
    [key],
  );
  return [text, write];
}
