import { useQuery } from "@tanstack/react-query";
import Segmented from "antd/es/segmented";
import { api, ask } from "../../app/client";
import { ProblemNote } from "../../app/parts";
import { pathTo } from "../../app/pathTo";
import { queryKeys } from "../../app/queryKeys";
import { useStoryChange } from "../../app/useStoryChange";
import { LANGUAGES, t } from "../../app/wording";

/** The language of everything that the patient takes away; it stays with the record. */
export function Reads({ episode }: { episode: string }) {
  const story = useQuery({
    queryKey: queryKeys.story(episode),
    queryFn: () => ask(api.GET("/api/episodes/{id}/story", pathTo(episode))),
  });
  const { change, busy, error } = useStoryChange(episode);
  return (
    <>
      <span className="soft small">{t("reads-short")}</span>
      <Segmented
        id="reads"
        aria-label={t("reads-title")}
        disabled={busy || !story.data}
        value={story.data?.story.reads ?? "english"}
        options={LANGUAGES.map((value) => ({
          value,
          label: t(`language-${value}`),
        }))}
        onChange={(reads) => change(() => ({ reads }))}
      />
      <ProblemNote error={error} />
    </>
  );
}
