import { useClinic } from "./useClinic";
import { t } from "./words";

/** The clinic's number to tap, and when somebody answers. */
export function Call() {
  const clinic = useClinic();
  if (!clinic?.telephone) return null;
  return (
    <p className="call">
      <a href={`tel:${clinic.telephone.replace(/[^\d+]/g, "")}`}>
        {t("phone-call", { name: clinic.name || t("phone-clinic") })}
        <strong>{clinic.telephone}</strong>
      </a>
      {clinic.hours && <span className="soft">{clinic.hours}</span>}
    </p>
  );
}
