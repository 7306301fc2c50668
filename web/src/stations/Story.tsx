import "../app/stationWords";
import "../../../locales/en/stations/story.ftl?learn";
import { useQueryClient } from "@tanstack/react-query";
import Collapse from "antd/es/collapse";
import type { Schemas } from "../app/client";
import { InTurn } from "../app/InTurn";
import { shortDate, t } from "../app/wording";
import { Flags } from "./story/Flags";
import { Happened } from "./story/Happened";
import { Injections } from "./story/Injections";
import { Limits } from "./story/Limits";
import { Folded } from "./story/Rest";
import { Shoulders } from "./story/Shoulders";
import { queryKeys, renew } from "../app/queryKeys";

type Page = Schemas["StoryPage"];

/** The story in the order of talk; what has a default is folded, with what holds in one line. */
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
  const keep = (next: Page) => {
    queries.setQueryData(queryKeys.story(episode), next);
    renew(queries, ["reading", "visit", "ranges", "program", "day-list"]);
  };
  const again = () =>
    void queries.invalidateQueries({ queryKey: queryKeys.story(episode) });
  const dated = [...page.injections, ...page.imaging];
  const newest = dated.at(-1);
  const standing = page.limits.filter((l) => !l.ended_on).length;
  return (
    <>
      <div className="page-head">
        <h1>{t("story-title")}</h1>
        <span className="soft">{t("story-lead")}</span>
      </div>
      <InTurn>
        <Happened
          episode={episode}
          page={page}
          keep={keep}
          today={today}
          flags={(beside) => (
            <Flags
              episode={episode}
              page={page}
              keep={keep}
              today={today}
              beside={beside}
            />
          )}
          onStale={again}
        />
        <Collapse
          ghost
          className="rest above-18"
          defaultActiveKey={
            page.story.start === "surgery" || standing > 0 ? ["limits"] : []
          }
          items={[
            {
              key: "limits",
              forceRender: true,
              label: (
                <Folded
                  fold="limits"
                  title={t("limits-title")}
                  says={
                    standing === 0
                      ? t("folded-none")
                      : t("folded-limits", { n: standing })
                  }
                />
              ),
              children: (
                <Limits
                  episode={episode}
                  page={page}
                  keep={keep}
                  today={today}
                />
              ),
            },
            {
              key: "injections",
              label: (
                <Folded
                  fold="injections"
                  title={t("folded-injections")}
                  says={
                    newest
                      ? t("folded-dated", {
                          n: dated.length,
                          when: shortDate(newest.on),
                        })
                      : t("folded-none")
                  }
                />
              ),
              children: (
                <Injections
                  episode={episode}
                  injections={page.injections}
                  imaging={page.imaging}
                  today={today}
                  onKept={() => {
                    renew(queries, ["story", "program", "visit"]);
                  }}
                />
              ),
            },
            {
              key: "shoulders",
              label: (
                <Folded
                  fold="shoulders"
                  title={t("shoulders-title")}
                  says={t("folded-shoulders", { n: page.head.episodes.length })}
                />
              ),
              children: (
                <Shoulders
                  page={page}
                  episode={episode}
                  today={today}
                  keep={keep}
                />
              ),
            },
          ]}
        />
      </InTurn>
    </>
  );
}
