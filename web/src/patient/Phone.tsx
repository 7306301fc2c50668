import { useCallback, useEffect, useState } from "react";
import { Always } from "./Always";
import { clinicDay, localDate } from "./clock";
import { Door } from "./Door";
import { send, waiting } from "./queue";
import { ask, PAGE, PREVIEW, type Page } from "./server";
import { Program } from "./Program";
import { own, speak, speaks } from "./words";

/** What was last known, for when there is no network. */
const KEPT = "ritorno-home-page";

interface Kept {
  page: Page;
  /** What this telephone's clock showed when the page came. */
  heardOn: string;
}

/** What was last known, on the day that it is by now. */
function keptPage(): { page: Page; since: string } | undefined {
  try {
    const text = localStorage.getItem(KEPT);
    if (!text) return undefined;
    const { page, heardOn } = JSON.parse(text) as Kept;
    const today = clinicDay(page.today, heardOn, new Date());
    return { page: { ...page, today }, since: page.today };
  } catch {
    return undefined;
  }
}

/** The patient's page: the door first, the program behind it. */
export function Phone() {
  const [page, setPage] = useState<Page>();
  // The day that the page is from, while there is no network.
  const [since, setSince] = useState<string>();
  const [state, setState] = useState<"wait" | "door" | "in" | "offline">(
    "wait",
  );
  const load = useCallback(async () => {
    let { status, body } = await ask<Page>("GET", PAGE);
    if (PREVIEW) {
      if (body && status === 200) setPage({ ...body, whose: "preview" });
      setState(status === 200 ? "in" : "door");
      return;
    }
    if (body && status === 200 && waiting(body.whose).length > 0) {
      await send(body.whose);
      ({ status, body } = await ask<Page>("GET", PAGE));
    }
    if (status === 200 && body) {
      const kept: Kept = { page: body, heardOn: localDate(new Date()) };
      localStorage.setItem(KEPT, JSON.stringify(kept));
      setPage(body);
      setSince(undefined);
      setState("in");
      return;
    }
    const kept = keptPage();
    if (status === 401) {
      // Who was let in here before and is no longer: nothing of theirs stays to be read.
      localStorage.removeItem(KEPT);
      void window.caches?.delete("home-drawings");
      setState("door");
    } else if (kept) {
      setPage(kept.page);
      setSince(kept.since);
      setState("offline");
    } else setState("door");
  }, []);
  useEffect(() => {
    // A link that was opened anew goes before what was opened last.
    const look = () => {
      if (window.location.hash.length > 1) setState("door");
      else void load();
    };
    look();
    window.addEventListener("online", look);
    window.addEventListener("hashchange", look);
    const beat = window.setInterval(look, 60_000);
    return () => {
      window.removeEventListener("online", look);
      window.removeEventListener("hashchange", look);
      window.clearInterval(beat);
    };
  }, [load]);
  // Sentences are chosen while the page is drawn, so that is when its language is.
  const language = state === "door" ? own() : (page?.reads ?? own());
  if (language !== speaks()) speak(language);
  if (state === "wait") return <main aria-busy="true" />;
  if (state === "door")
    return (
      <main>
        <Door opened={load} />
        <Always />
      </main>
    );
  return page ? <Program page={page} since={since} again={load} /> : null;
}
