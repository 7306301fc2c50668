import { useArmed, usePlaces } from "./keys";
import { t } from "./wording";

/** Where `g` leads, shown while it waits for its letter. */
export function Armed() {
  const waits = useArmed();
  const places = usePlaces();
  if (!waits) return null;
  return (
    <div className="armed no-print" role="status" id="armed">
      <b>
        <kbd>g</kbd> {t("keys-go")}
      </b>
      {places.map((p) => (
        <span key={p.letter}>
          <kbd>{p.letter}</kbd> {t(p.name)}
        </span>
      ))}
    </div>
  );
}
