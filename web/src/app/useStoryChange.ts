import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas } from "./client";
import { useSaver } from "./entries";
import { pathTo } from "./pathTo";
import { EVERYTHING, renew } from "./queryKeys";

type Story = Schemas["Story"];

/** Changes one thing of the story as it stands by now, from a page that is not the story's. */
export function useStoryChange(episode: string) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const change = (made: (story: Story) => Partial<Story>) => {
    setError(undefined);
    saver
      .run(async () => {
        const { rev, story } = await ask(
          api.GET("/api/episodes/{id}/story", pathTo(episode)),
        );
        await ask(
          api.PUT("/api/episodes/{id}/story", {
            ...pathTo(episode),
            body: { rev, story: { ...story, ...made(story) } },
          }),
        );
        renew(queries, EVERYTHING);
      })
      .catch(setError);
  };
  return { change, busy: saver.busy, error };
}
