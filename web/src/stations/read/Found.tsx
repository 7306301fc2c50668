import { capital, nameOf, sentence, t } from "../../app/wording";
import type { View } from "./types";

/** What moved since the last visit, judged by the error of measuring. */
export function Changes({ view }: { view: View }) {
  if (view.changes.length === 0) return null;
  return (
    <section className="block" id="changes">
      <h2>
        {t("read-changes")}{" "}
        <span className="soft small">{t("read-changes-lead")}</span>
      </h2>
      <table className="criteria">
        <tbody>
          {view.changes.map((c) => (
            <tr key={c.quantity} data-word={c.word}>
              <td className="w-auto">
                {capital(nameOf("quantity", c.quantity))}
              </td>
              <td className="num w-150">
                {t("measured-deg", { value: c.before })} →{" "}
                <b>{t("measured-deg", { value: c.now })}</b>
              </td>
              <td className="num soft small w-150">
                {t("read-detectable", {
                  detectable: Math.round(c.detectable),
                })}
                {c.own_error ? ` ${t("read-own-error")}` : ""}
              </td>
              <td className="small">
                {c.worse ? `${t("read-worse")}, ` : ""}
                {nameOf("change", c.word)}
                {c.act && (
                  <>
                    <br />
                    <b className="bad">{sentence(c.act)}</b>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What is impaired, the largest first. */
export function Impairments({ view }: { view: View }) {
  return (
    <section className="block" id="impairments">
      <h2>
        {t("read-impairments")}{" "}
        <span className="soft small">{t("read-impairments-lead")}</span>
      </h2>
      {view.impairments.length === 0 && (
        <p className="soft">{t("read-no-impairment")}</p>
      )}
      <table className="criteria">
        <tbody>
          {view.impairments.slice(0, 8).map((i) => (
            <tr key={i.measure} className={i.real ? "" : "soft"}>
              <td className="w-auto">
                {capital(nameOf("measure", i.measure))}
              </td>
              <td className="num w-128 to-right">
                <b>{i.deficit.toFixed(0)}</b> ± {i.error.toFixed(0)}
                {i.unit === "level"
                  ? ""
                  : i.unit === "deg"
                    ? "°"
                    : ` ${nameOf("unit", i.unit)}`}
              </td>
              <td className="w-170">
                <svg width="150" height="14" aria-hidden="true">
                  <rect width="150" height="14" fill="var(--sunk)" />
                  <rect
                    width={Math.min(150, i.percent * 1.5)}
                    height="14"
                    fill={i.real ? "var(--petrol)" : "var(--edge)"}
                  />
                </svg>
              </td>
              <td className="small">
                {i.real
                  ? `${i.percent.toFixed(0)} % ${t("less-than")} ${nameOf("against", i.against)}`
                  : t("within-error")}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
