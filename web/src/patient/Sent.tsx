import { Call } from "./Call";
import { t } from "./words";

/** Whom to call, and whether the clinic knows: only what the server has answered is called told. */
export function Sent({ told }: { told: "under" | "sent" | "waits" }) {
  return (
    <>
      <Call />
      {told !== "under" && (
        <p id="told">
          {t(told === "sent" ? "phone-told-sent" : "phone-told-waits")}
        </p>
      )}
    </>
  );
}
