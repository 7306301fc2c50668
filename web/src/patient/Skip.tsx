import type { Fact } from "./queue";
import { t } from "./words";

const REASONS = ["hurt", "tired", "no_time", "no_kit", "unsure"] as const;

/** Left out today, and why, in one tap. */
export function Skip({
  exercise,
  today,
  told,
}: {
  exercise: string;
  today: string;
  told: (fact: Fact) => void;
}) {
  return (
    <section className="skip" aria-labelledby="skip-why">
      <h2 id="skip-why">{t("phone-skip")}</h2>
      <div className="counts">
        {REASONS.map((because) => (
          <button
            key={because}
            id={`skip-${because}`}
            onClick={() =>
              told({ on: today, kind: "left_out", exercise, because })
            }
          >
            {t(`phone-skip-${because}`)}
          </button>
        ))}
      </div>
    </section>
  );
}
