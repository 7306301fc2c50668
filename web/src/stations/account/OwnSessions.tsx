import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { Pending, ProblemNote } from "../../app/parts";
import { queryKeys } from "../../app/queryKeys";
import { t } from "../../app/wording";
import { SessionRows } from "./SessionRows";

/** Where one is signed in, and the way out of each place. */
export function OwnSessions({ minutes }: { minutes: number }) {
  const queries = useQueryClient();
  const [error, setError] = useState<unknown>();
  const [busy, setBusy] = useState(false);
  const list = useQuery({
    queryKey: queryKeys.ownSessions,
    queryFn: () => ask(api.GET("/api/me/sessions")),
  });
  const end = (work: () => Promise<Schemas["SessionList"]>) => {
    setBusy(true);
    setError(undefined);
    work()
      .then((now) => queries.setQueryData(queryKeys.ownSessions, now))
      .catch(setError)
      .finally(() => setBusy(false));
  };
  return (
    <section className="block" id="own-sessions">
      <h2>{t("sessions-title")}</h2>
      <p className="soft small">{t("sessions-idle", { minutes })}</p>
      <ProblemNote error={error} />
      {!list.data && <Pending query={list} />}
      {list.data && (
        <>
          <SessionRows
            rows={list.data.sessions}
            busy={busy}
            onEnd={(id) =>
              end(() =>
                ask(
                  api.POST("/api/me/sessions/{id}/end", {
                    params: { path: { id } },
                  }),
                ),
              )
            }
          />
          {list.data.sessions.length > 1 && (
            <p className="above-14">
              <Button
                danger
                id="sessions-end"
                disabled={busy}
                onClick={() => end(() => ask(api.POST("/api/me/sessions/end")))}
              >
                {t("sessions-end")}
              </Button>
            </p>
          )}
        </>
      )}
    </section>
  );
}
