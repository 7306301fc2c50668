import { useClinic } from "./useClinic";
import { openingWords } from "./opening";
import { speaks, t } from "./words";

/** The clinic's number to tap, and when somebody answers. */
export function Call() {
  const clinic = useClinic();
  if (!clinic?.telephone) return null;
  // The clinic writes its hours in its own language; in another one they are put together.
  const put = speaks() === "english" ? "" : openingWords(clinic.opening);
  const hours = put || clinic.hours;
  return (
    <p className="call">
      <a href={`tel:${clinic.telephone.replace(/[^\d+]/g, "")}`}>
        {t("phone-call", { name: clinic.name || t("phone-clinic") })}
        <strong>{clinic.telephone}</strong>
      </a>
      {hours && <span className="soft">{hours}</span>}
    </p>
  );
}
