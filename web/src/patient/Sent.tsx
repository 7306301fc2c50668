import { t } from "./words";

/** Whether the clinic knows: only what the server has answered is called told. */
export function Sent({ told }: { told: "under" | "sent" | "waits" }) {
  if (told === "under") return null;
  return (
    <p id="told">
      {t(told === "sent" ? "phone-told-sent" : "phone-told-waits")}
    </p>
  );
}
