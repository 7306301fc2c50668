import { useState, type FormEvent } from "react";
import { ask } from "./server";
import { t } from "./words";

/** The link's secret: it stands behind the hash, which no browser sends anywhere. */
const LINK = "ritorno-home-link";

function link() {
  const given = window.location.hash.slice(1);
  if (given) localStorage.setItem(LINK, given);
  return given || (localStorage.getItem(LINK) ?? "");
}

function dateOf(day: string, month: string, year: string) {
  const part = (text: string, digits: number) =>
    /^\d+$/.test(text.trim()) ? text.trim().padStart(digits, "0") : "";
  const date = `${part(year, 4)}-${part(month, 2)}-${part(day, 2)}`;
  return /^\d{4}-\d{2}-\d{2}$/.test(date) ? date : undefined;
}

/** Asks who opens the link. */
export function Door({ opened }: { opened: () => Promise<void> }) {
  const [typed, setTyped] = useState({ day: "", month: "", year: "" });
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const open = async (event: FormEvent) => {
    event.preventDefault();
    const birth = dateOf(typed.day, typed.month, typed.year);
    if (!birth) return setFault(t("phone-date-needed"));
    setBusy(true);
    const { status } = await ask("POST", "/api/home/open", {
      link: link(),
      birth,
    });
    setBusy(false);
    if (status === 204) {
      window.history.replaceState(null, "", window.location.pathname);
      return opened();
    }
    const why = { 0: "phone-no-network", 429: "phone-wait" }[status];
    setFault(t(why ?? "phone-closed"));
  };
  const field = (name: "day" | "month" | "year", letters: number) => (
    <label>
      {t(`phone-${name}`)}
      <input
        id={name}
        inputMode="numeric"
        autoComplete={`bday-${name}`}
        maxLength={letters}
        size={letters}
        value={typed[name]}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? "door-fault" : undefined}
        onChange={(e) => setTyped({ ...typed, [name]: e.target.value })}
      />
    </label>
  );
  return (
    <form id="door" onSubmit={(e) => void open(e)} noValidate>
      <h1>{t("phone-title")}</h1>
      <p>{t("phone-open-lead")}</p>
      <div className="birth">
        {field("day", 2)}
        {field("month", 2)}
        {field("year", 4)}
      </div>
      {fault && (
        <p className="fault" id="door-fault" role="alert">
          {fault}
        </p>
      )}
      <button className="main" disabled={busy} id="open">
        {t("phone-open")}
      </button>
    </form>
  );
}
