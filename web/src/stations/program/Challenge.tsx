import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { useEntry } from "../../app/entries";
import { InWords } from "../../app/InWords";
import { ProblemNote } from "../../app/parts";
import { sentence, t } from "../../app/wording";
import { Notice } from "../../app/Notice";
import { renew } from "../../app/queryKeys";

/** The findings speak against the chosen pathway: another one is chosen, or somebody says why it is kept. */
export function Challenge({
  episode,
  challenge,
  pathway,
  today,
}: {
  episode: string;
  challenge: Schemas["Reason"];
  pathway: string;
  today: string;
}) {
  const queries = useQueryClient();
  const { keep, error, setError } = useEntry(episode);
  const refresh = () => {
    renew(queries, ["program", "reading", "story"]);
  };
  return (
    <Notice role="alert" id="challenge" kind="decide">
      <b>{sentence(challenge)}</b>
      <ProblemNote error={error} />
      <div className="row wrap">
        <Link to={`/e/${episode}/story`}>
          <Button type="primary">{t("pathway-choose")}</Button>
        </Link>
        <InWords
          id="pathway-kept"
          label={t("pathway-keep-why")}
          button={t("pathway-keep")}
          send={(id, { words: reason }) =>
            keep(
              {
                kind: "exam_note",
                body: { id, on: today, kind: "pathway_kept", pathway, reason },
                says: `${t("pathway-keep")}: ${reason}`,
              },
              id,
            ).then((kept) => kept !== undefined)
          }
          onDone={refresh}
          onError={setError}
        />
      </div>
    </Notice>
  );
}
