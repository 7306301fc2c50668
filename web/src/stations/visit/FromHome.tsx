import { useMutation, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { api, ask, newId, type Schemas } from "../../app/client";
import { Notice } from "../../app/Notice";
import { ProblemNote } from "../../app/parts";
import { queryKeys, renew } from "../../app/queryKeys";
import { moment, nameOf, shortDate, t } from "../../app/wording";

type Told = Schemas["FromHome"];

/** What an entry from home says, in words. */
function says(told: Told) {
  if (told.words) return <q>{told.words}</q>;
  return told.flag ? nameOf("flag", told.flag) : t("from-home-slip");
}

/** What the patient told from home and nobody has read: it stands before everything else until somebody has. */
export function FromHome({ episode, told }: { episode: string; told: Told[] }) {
  const queries = useQueryClient();
  const read = useMutation({
    mutationFn: () =>
      ask(
        api.POST("/api/episodes/{id}/home-read", {
          params: { path: { id: episode } },
          body: { id: newId(), read: told.map((one) => one.id) },
        }),
      ),
    onSuccess: (page) => {
      queries.setQueryData(queryKeys.visit(episode), page);
      renew(queries, ["day-list", "timeline"]);
    },
  });
  if (told.length === 0) return null;
  return (
    <Notice
      id="from-home"
      kind="decide"
      action={
        <Button
          size="small"
          id="home-read"
          loading={read.isPending}
          onClick={() => read.mutate()}
        >
          {t("from-home-read")}
        </Button>
      }
    >
      <b>{t("from-home-title")}</b>
      {told.map((one) => (
        <p key={one.id} className="flush" data-told={one.id}>
          <span className="soft num">{moment(one.at)}</span>{" "}
          {one.later_day && (
            <span className="soft">
              {t("from-home-late", { date: shortDate(one.on) })}{" "}
            </span>
          )}
          {says(one)}
          {one.late && <b> {t("from-home-long")}</b>}
        </p>
      ))}
      <ProblemNote error={read.error} />
    </Notice>
  );
}
