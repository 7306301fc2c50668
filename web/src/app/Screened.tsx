import { useEffect, useState } from "react";
import { api, ask, type Schemas } from "./client";
import { t } from "./wording";

type Hit = Schemas["Hit"];

/** How long typing rests before a text is looked at. */
const REST_MS = 500;

/**
 * What a text that is being typed must be asked about: shown beside it, never in the way. The server looks again
 * when it is signed.
 */
export function Screened({ text }: { text: string }) {
  const [hits, setHits] = useState<Hit[]>([]);
  useEffect(() => {
    if (text.trim() === "") {
      setHits([]);
      return;
    }
    let here = true;
    const timer = setTimeout(() => {
      ask(api.POST("/api/screen", { body: { text } }))
        .then((found) => here && setHits(found))
        // Away: it is screened when it is stored.
        .catch(() => undefined);
    }, REST_MS);
    return () => {
      here = false;
      clearTimeout(timer);
    };
  }, [text]);
  if (hits.length === 0) return null;
  return (
    <ul className="screened small" role="status">
      {hits.map((h) => (
        <li key={h.flag + h.passage} data-asks={h.flag}>
          <q>{h.quote}</q> {t("screened-asks", { flag: h.flag })}
        </li>
      ))}
    </ul>
  );
}
