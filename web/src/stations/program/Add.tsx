import Button from "antd/es/button";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";

/** Exercises that may join the program, by ladder, with today's verdict of each. */
export function Add({
  candidates,
  onAdd,
}: {
  candidates: Schemas["Candidate"][];
  onAdd: (candidate: Schemas["Candidate"]) => void;
}) {
  const [adding, setAdding] = useState("");
  return (
    <section className="block no-print above-18">
      <h2>{t("program-add")}</h2>
      <div className="row w-760">
        <Choose
          id="candidate"
          className="grow"
          aria-label={t("program-add")}
          placeholder={t("program-choose")}
          value={adding || null}
          onChange={setAdding}
          options={[...new Set(candidates.map((c) => c.ladder))].map(
            (ladder) => ({
              label: nameOf("ladder", ladder),
              options: candidates
                .filter((c) => c.ladder === ladder)
                .sort((a, b) => a.rung - b.rung)
                .map((c) => ({
                  value: c.exercise,
                  label: `${c.rung}. ${nameOf("exercise", c.exercise)} (${t(`verdict-${c.today.status}`)})`,
                  also: nameOf("ladder", ladder),
                })),
            }),
          )}
        />
        <Button
          id="add-line"
          disabled={!adding}
          onClick={() => {
            const c = candidates.find((x) => x.exercise === adding);
            if (c) onAdd(c);
          }}
        >
          {t("add")}
        </Button>
      </div>
    </section>
  );
}
