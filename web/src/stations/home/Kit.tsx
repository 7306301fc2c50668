import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../../app/client";
import { useSaver } from "../../app/entries";
import { Notice } from "../../app/Notice";
import { ProblemNote } from "../../app/parts";
import { pathTo } from "../../app/pathTo";
import { EVERYTHING, renew } from "../../app/queryKeys";
import { capital, nameOf, shortDate, t } from "../../app/wording";

type Row = Schemas["HomeKit"];

/** What today's exercises need at home, what was told to be missing, and the plan proposed again without it. */
export function Kit({ episode, kit }: { episode: string; kit: Row[] }) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const missing = kit.filter((row) => !row.there);
  const turn = ({ kit: item, there }: Row) => {
    setError(undefined);
    saver
      .run(async () => {
        const { rev, story } = await ask(
          api.GET("/api/episodes/{id}/story", pathTo(episode)),
        );
        const others = story.kit.filter((one) => one !== item);
        await ask(
          api.PUT("/api/episodes/{id}/story", {
            ...pathTo(episode),
            body: {
              rev,
              story: { ...story, kit: there ? others : [...others, item] },
            },
          }),
        );
        renew(queries, EVERYTHING);
      })
      .catch(setError);
  };
  if (kit.length === 0) return null;
  return (
    <section className="sheet above-22" id="home-kit">
      <h2 className="flush below-8">{t("home-kit")}</h2>
      <ProblemNote error={error} />
      {missing.length > 0 && (
        <Notice id="kit-missing" kind="decide">
          {t("home-kit-missing", {
            count: new Set(missing.flatMap((row) => row.exercises)).size,
          })}{" "}
          <Link to={`/e/${episode}/program?again=1`}>
            <Button size="small">{t("home-kit-again")}</Button>
          </Link>
        </Notice>
      )}
      <ul className="kit-list">
        {kit.map((row) => (
          <li key={row.kit} data-kit={row.kit} data-there={row.there}>
            <span>
              {row.there ? (
                capital(nameOf("kit", row.kit))
              ) : (
                <s>{capital(nameOf("kit", row.kit))}</s>
              )}{" "}
              <span className="drawn soft small">
                {t("home-kit-for", { count: row.exercises.length })}
                {row.missed_on && row.there && (
                  <b>
                    {" "}
                    {t("home-kit-told", { date: shortDate(row.missed_on) })}
                  </b>
                )}
              </span>
            </span>
            <Button
              size="small"
              disabled={saver.busy}
              onClick={() => turn(row)}
            >
              {t(row.there ? "home-kit-gone" : "home-kit-back")}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
