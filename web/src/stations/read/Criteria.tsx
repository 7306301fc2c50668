import Button from "antd/es/button";
import { capital, nameOf, sentence, t } from "../../app/wording";
import type { OnNote, View } from "./types";

/** Conditions decided by range and radiograph. */
export function Criteria({ view, onNote }: { view: View; onNote: OnNote }) {
  return (
    <section className="block" id="criteria">
      <h2>
        {t("read-criteria")}{" "}
        <span className="soft small">{t("read-criteria-lead")}</span>
      </h2>
      {view.conditions.map((c) => (
        <div
          key={c.condition}
          className={`criterion ${c.status}`}
          data-condition={c.condition}
          data-status={c.status}
        >
          <b>{capital(nameOf("condition", c.condition))}</b>{" "}
          <span className="tag">{t(`condition-${c.status}`)}</span>
          <ul className="plainlist small soft">
            {c.parts.map((r) => (
              <li key={sentence(r)}>{sentence(r)}</li>
            ))}
          </ul>
        </div>
      ))}
      <p>
        {t("read-film")}{" "}
        {(
          [
            ["film-yes", true],
            ["film-no", false],
          ] as const
        ).map(([key, present]) => (
          <Button
            key={key}
            size="small"
            onClick={() =>
              void onNote({
                kind: "known",
                about: "glenohumeral-osteoarthritis",
                present,
                by: "radiograph",
              })
            }
            className="after-6"
          >
            {t(key)}
          </Button>
        ))}
      </p>
    </section>
  );
}
