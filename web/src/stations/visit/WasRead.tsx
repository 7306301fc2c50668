import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, ask } from "../../app/client";
import { Pending } from "../../app/parts";
import { nameOf, sentence, t } from "../../app/wording";
import { queryKeys } from "../../app/queryKeys";

/** What the examination says, in sentences, where there is no corridor to look at. */
export function WhatWasRead({ episode }: { episode: string }) {
  const reading = useQuery({
    queryKey: queryKeys.reading(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  if (!reading.data) return <Pending query={reading} />;
  return (
    <section className="block" id="was-read">
      <h2>
        {t("read-summary")}{" "}
        <Link className="small" to={`/e/${episode}/read`}>
          {t("nav-read")}
        </Link>
      </h2>
      <ul className="plainlist">
        {reading.data.view.summary.map((r) => (
          <li key={sentence(r)}>{sentence(r)}</li>
        ))}
      </ul>
      {reading.data.view.telling.length > 0 && (
        <p>
          {t("read-next")}:{" "}
          {reading.data.view.telling
            .map((i) => nameOf("test", i.test))
            .join(", ")}
          . <Link to={`/e/${episode}/examine`}>{t("nav-examine")}</Link>
        </p>
      )}
    </section>
  );
}
