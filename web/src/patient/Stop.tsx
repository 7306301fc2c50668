import { useState } from "react";
import type { Fact } from "./queue";
import { Sent } from "./Sent";
import type { Page } from "./server";
import { t } from "./words";

/** What is wrong: one tap, and it is said at once what to do. Telling the clinic goes on meanwhile. */
export function Stop({
  page,
  tell,
  back,
}: {
  page: Page;
  tell: (...facts: Fact[]) => Promise<boolean>;
  back: () => void;
}) {
  const [flag, setFlag] = useState<Page["stops"][number]>();
  const [told, setTold] = useState<"under" | "sent" | "waits">("under");
  const [sharp, setSharp] = useState(false);
  if (flag) {
    const now = flag.tier === "emergency_now";
    const says = now ? "phone-told-now" : "phone-told-day";
    return (
      <section className="paused" role="alert" id="stop-told">
        <h1>{t(says)}</h1>
        <p>{t(`${says}-why`)}</p>
        <p className="soft">{t(`phone-flag-${flag.flag}`)}</p>
        <Sent told={told} />
        <button className="plain" onClick={back}>
          {t("phone-back")}
        </button>
      </section>
    );
  }
  if (sharp)
    return (
      <section className="paused" role="alert" id="sharp-told">
        <h1>{t("phone-sharp-told")}</h1>
        <button className="plain" onClick={back}>
          {t("phone-back")}
        </button>
      </section>
    );
  return (
    <section>
      <h1>{t("phone-stop-ask")}</h1>
      <p>{t("phone-stop-lead")}</p>
      <ul className="wrong">
        {page.stops.map((stop) => (
          <li key={stop.flag}>
            <button
              id={`stop-${stop.flag}`}
              className={stop.tier === "emergency_now" ? "urgent" : ""}
              onClick={() => {
                setFlag(stop);
                void tell({
                  on: page.today,
                  kind: "stop",
                  flag: stop.flag,
                }).then((sent) => setTold(sent ? "sent" : "waits"));
              }}
            >
              {t(`phone-flag-${stop.flag}`)}
            </button>
          </li>
        ))}
        <li>
          <button id="stop-sharp" onClick={() => setSharp(true)}>
            {t("phone-sharp")}
          </button>
        </li>
      </ul>
      <button className="plain" onClick={back} id="stop-back">
        {t("phone-stop-none")}
      </button>
    </section>
  );
}
