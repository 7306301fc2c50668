import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Schemas } from "../app/client";
import { t } from "../app/wording";
import { Flags } from "./story/Flags";
import { Happened } from "./story/Happened";
import { Injections } from "./story/Injections";
import { Limits } from "./story/Limits";
import { Shoulders } from "./story/Shoulders";

type Page = Schemas["StoryPage"];

export function Story({
  episode,
  page,
  today,
}: {
  episode: string;
  page: Page;
  today: string;
}) {
  const queries = useQueryClient();
  const [saved, setSaved] = useState(0);
  const keep = (next: Page) => {
    queries.setQueryData(["story", episode], next);
    for (const key of ["reading", "visit", "ranges", "program", "day-list"])
      void queries.invalidateQueries({ queryKey: [key] });
  };
  return (
    <>
      <div className="page-head">
        <h1>{t("story-title")}</h1>
        <span className="soft">{t("story-lead")}</span>
      </div>
      <Flags episode={episode} page={page} keep={keep} today={today} />
      <Happened
        key={page.rev}
        saved={saved === page.rev}
        onSaved={setSaved}
        episode={episode}
        page={page}
        keep={keep}
        today={today}
      />
      <Injections
        episode={episode}
        injections={page.injections}
        imaging={page.imaging}
        today={today}
        onKept={() => {
          for (const key of ["story", "program", "visit"])
            void queries.invalidateQueries({ queryKey: [key] });
        }}
      />
      <Limits episode={episode} page={page} keep={keep} today={today} />
      <Shoulders page={page} episode={episode} today={today} keep={keep} />
    </>
  );
}
