import { useState } from "react";
import { ask, PREVIEW } from "./server";
import { t } from "./words";

/** That reminders are sent, and the key that ends them. */
export function Reminded({ on }: { on: boolean }) {
  const [now, setNow] = useState<"on" | "ended" | "no-network">("on");
  if (!on) return null;
  if (now === "ended")
    return (
      <p id="reminders-ended" role="status">
        {t("phone-reminders-ended")}
      </p>
    );
  const end = async () => {
    const answer = await ask("POST", "/api/home/no-reminders", {});
    setNow(answer.status === 204 ? "ended" : "no-network");
  };
  return (
    <p>
      {t("phone-reminders")}{" "}
      <button
        type="button"
        className="plain"
        id="no-reminders"
        disabled={PREVIEW !== null}
        onClick={() => void end()}
      >
        {t("phone-no-reminders")}
      </button>
      {now === "no-network" && (
        <span role="status"> {t("phone-no-network")}</span>
      )}
    </p>
  );
}
