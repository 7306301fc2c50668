import Button from "antd/es/button";
import { Link } from "react-router";
import type { Schemas } from "../../app/client";
import { Notice } from "../../app/Notice";
import { ProblemNote } from "../../app/parts";
import { useStoryChange } from "../../app/useStoryChange";
import { capital, nameOf, shortDate, t } from "../../app/wording";

type Row = Schemas["HomeKit"];

/** What today's exercises need at home, what was told to be missing, and the plan proposed again without it. */
export function Kit({ episode, kit }: { episode: string; kit: Row[] }) {
  const { change, busy, error } = useStoryChange(episode);
  const missing = kit.filter((row) => !row.there);
  const turn = ({ kit: item, there }: Row) =>
    change((story) => {
      const others = story.kit.filter((one) => one !== item);
      return { kit: there ? others : [...others, item] };
    });
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
            <Button size="small" disabled={busy} onClick={() => turn(row)}>
              {t(row.there ? "home-kit-gone" : "home-kit-back")}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
