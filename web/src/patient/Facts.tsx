import { Call } from "./Call";
import { Calendar } from "./Calendar";
import { Hand } from "./Hand";
import { Reminded } from "./Reminded";
import { PREVIEW, type Sheet } from "./server";
import { t } from "./words";

/** What holds today, from the sheet: limits first, then what is good to know. */
export function Facts({
  sheet,
  reminders,
}: {
  sheet: Sheet;
  reminders: boolean;
}) {
  const list = (title: string, rows: string[]) =>
    rows.length > 0 && (
      <section>
        <h2>{title}</h2>
        <ul>
          {rows.map((row) => (
            <li key={row}>{row}</li>
          ))}
        </ul>
      </section>
    );
  return (
    <>
      <section id="limits">
        <h2>{t("phone-limits")}</h2>
        {sheet.limits.length === 0 && <p>{t("phone-no-limits")}</p>}
        <dl>
          {sheet.limits.map((limit) => (
            <div key={limit.what}>
              <dt>{limit.what}</dt>
              <dd>{limit.how}</dd>
            </div>
          ))}
        </dl>
        {sheet.sling !== "" && (
          <p>
            <strong>{sheet.sling_title}</strong> {sheet.sling}
          </p>
        )}
        <p>{sheet.pain}</p>
      </section>
      {list(sheet.avoid_title, sheet.avoid)}
      <section className="stops">
        <h2>{sheet.stop_title}</h2>
        <p className="now">{sheet.stop_now}</p>
        <ul>
          {sheet.stop.map((row) => (
            <li key={row}>{row}</li>
          ))}
        </ul>
        <p>{t("phone-emergency")}</p>
        <Call />
      </section>
      {list(sheet.habits_title, sheet.habits)}
      {list(sheet.advice_title, sheet.advice)}
      {list(sheet.may_title, sheet.may)}
      <section>
        <h2>{t("phone-kit")}</h2>
        <p>{sheet.kit}</p>
      </section>
      <p className="soft">{sheet.safety}</p>
      {!PREVIEW && <Calendar />}
      <Reminded on={reminders} />
      <Hand />
    </>
  );
}
