import { capital, nameOf, sentence, t } from "../../app/wording";
import type { View } from "./types";

/** An operated shoulder: what is watched for, and where it stands. */
export function State({ view }: { view: View }) {
  return (
    <section className="block" id="state">
      <h2>
        {t("read-state")}{" "}
        <span className="soft small">{t("read-state-lead")}</span>
      </h2>
      {view.state.map((s) => (
        <div
          key={s.sign}
          className={`sign ${s.state}`}
          data-sign={s.sign}
          data-state={s.state}
        >
          <svg
            width="22"
            height="22"
            viewBox="-11 -11 22 22"
            aria-hidden="true"
          >
            {s.state === "raised" ? (
              <path d="M-4-9H4L9-4V4L4 9H-4L-9 4V-4Z" fill="var(--brick)" />
            ) : s.state === "quiet" ? (
              <path
                d="m-6 0 4 5 8-10"
                fill="none"
                stroke="var(--moss)"
                strokeWidth="3"
              />
            ) : (
              <circle
                r="7"
                fill="none"
                stroke="var(--mid)"
                strokeWidth="2"
                strokeDasharray="3 3"
              />
            )}
          </svg>
          <span>
            <b>{capital(nameOf("sign", s.sign))}</b>{" "}
            <span className="soft">{t(`state-${s.state}`)}</span>
            {s.reasons.map((r) => (
              <span key={sentence(r)}>
                <br />
                {sentence(r)}
              </span>
            ))}
          </span>
        </div>
      ))}
    </section>
  );
}
