import { Call } from "./Call";
import { t } from "./words";

/** When to stop and whom to call: shown whatever happens to the link. */
export function Always() {
  return (
    <section className="stops" id="always">
      <h2>{t("phone-always")}</h2>
      <p className="now">{t("phone-always-now")}</p>
      <ul>
        {[1, 2, 3, 4].map((n) => (
          <li key={n}>{t(`phone-always-${n}`)}</li>
        ))}
      </ul>
      <p>{t("phone-emergency")}</p>
      <Call />
    </section>
  );
}
