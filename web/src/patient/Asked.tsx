import { useEffect } from "react";
import { Call } from "./Call";
import { askedSeen } from "./queue";
import type { Heard } from "./server";
import { t } from "./words";

/** What was written may be something that cannot wait to be read: said at once, until it was seen. */
export function Asked({
  whose,
  asks,
  seen,
}: {
  whose: string;
  asks: Heard["asks"];
  seen: () => void;
}) {
  // Its answer is a promise in some browsers, and no way to tidy up.
  useEffect(() => {
    window.scrollTo(0, 0);
  }, []);
  const now = asks.some((ask) => ask.tier === "emergency_now");
  const says = now ? "phone-told-now" : "phone-told-day";
  return (
    <section className="paused" role="alert" id="asked">
      <p>{t("phone-asked")}</p>
      <h1>{t(says)}</h1>
      <p>{t(`${says}-why`)}</p>
      <Call />
      <button
        className="plain"
        id="asked-seen"
        onClick={() => {
          askedSeen(whose);
          seen();
        }}
      >
        {t("phone-asked-seen")}
      </button>
    </section>
  );
}
