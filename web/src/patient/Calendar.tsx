import { useState } from "react";
import { ask } from "./server";
import { t } from "./words";

/** The days as a file for a calendar, and an address that a calendar asks again by itself. */
export function Calendar() {
  const [address, setAddress] = useState<string>();
  const [failed, setFailed] = useState(false);
  const give = async () => {
    const path = "/api/home/calendar";
    const answer = await ask<{ address: string }>("POST", path, {});
    setAddress(answer.body?.address);
    setFailed(answer.status !== 200);
  };
  return (
    <section>
      <a className="plain" id="calendar" href="/api/home/program.ics">
        {t("phone-calendar")}
      </a>
      {address ? (
        <p role="status">
          {t("phone-calendar-kept")}{" "}
          <a
            id="calendar-address"
            href={address.replace(/^https?:/, "webcal:")}
          >
            {address}
          </a>
        </p>
      ) : (
        <button
          type="button"
          className="plain"
          id="keep-calendar"
          onClick={() => void give()}
        >
          {t("phone-calendar-keep")}
        </button>
      )}
      {failed && <p role="status">{t("phone-no-network")}</p>}
    </section>
  );
}
