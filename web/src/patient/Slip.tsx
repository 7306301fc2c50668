import { useState } from "react";
import type { Fact } from "./queue";
import { Sent } from "./Sent";
import { t } from "./words";

/** A slip: asked once more, since it holds the program back, then told. */
export function Slip({
  today,
  tell,
  back,
}: {
  today: string;
  tell: (...facts: Fact[]) => Promise<boolean>;
  back: () => void;
}) {
  const [told, setTold] = useState<"no" | "under" | "sent" | "waits">("no");
  if (told !== "no")
    return (
      <section className="paused" role="alert" id="slip-told">
        <h1>{t("phone-slip-told")}</h1>
        <Sent told={told} />
        <button className="plain" onClick={back}>
          {t("phone-back")}
        </button>
      </section>
    );
  return (
    <section className="card">
      <h1>{t("phone-slip-sure")}</h1>
      <button
        className="main stop"
        id="slip-yes"
        onClick={() => {
          setTold("under");
          void tell({ on: today, kind: "slip" }).then((sent) =>
            setTold(sent ? "sent" : "waits"),
          );
        }}
      >
        {t("phone-slip-yes")}
      </button>
      <button className="plain" onClick={back}>
        {t("phone-slip-no")}
      </button>
    </section>
  );
}
