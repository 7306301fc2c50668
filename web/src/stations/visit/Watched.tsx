import type { Schemas } from "../../app/client";
import { attr, nameOf, sentence, t } from "../../app/wording";
import { LaneMark } from "../../pictures/Marks";

/** What this pathway watches for at this time, and which of it could be answered. */
export function Watched({ watches }: { watches: Schemas["WatchView"][] }) {
  // Not a tick: what is quiet is not there, and a tick would say that it is.
  const mark = (w: Schemas["WatchView"]) =>
    w.speaks ? "something_is_wrong" : w.open ? "re_measure" : "quiet";
  return (
    <section className="block" id="watched">
      <h2>
        {t("watched-title")}{" "}
        <span className="soft small">{t("watched-lead")}</span>
      </h2>
      <table className="criteria">
        <tbody>
          {watches.map((w) => (
            <tr key={w.watch} data-watch={w.watch} data-speaks={w.speaks}>
              <td>
                <LaneMark lane={mark(w)} />
              </td>
              <td>
                {w.speaks ? (
                  <b>{nameOf("watch", w.watch)}</b>
                ) : (
                  nameOf("watch", w.watch)
                )}
                <br />
                <span className="soft small">
                  {t(
                    w.speaks
                      ? "watch-speaks"
                      : w.open
                        ? "watch-open"
                        : "watch-quiet",
                  )}{" "}
                  {w.speaks
                    ? w.criteria
                        .flatMap((c) => (c.datum ? [sentence(c.datum)] : []))
                        .join(". ")
                    : attr(`watch-${w.watch}`, "do")}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
