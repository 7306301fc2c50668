import { useQueryClient } from "@tanstack/react-query";
import Checkbox from "antd/es/checkbox";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { ProblemNote } from "../../app/parts";
import { queryKeys } from "../../app/queryKeys";
import { t } from "../../app/wording";
import { useStaff } from "./useStaff";

type Rules = Schemas["AccessRules"];

/** Minutes that can be chosen. */
const MINUTES = [5, 10, 15, 30, 60];

/** What a lead sets about access; each is kept as it is chosen, and every version stays. */
export function AccessRules() {
  const queries = useQueryClient();
  const saver = useSaver();
  const page = useStaff();
  const [error, setError] = useState<unknown>();
  if (!page.data) return null;
  const { rules, rev } = page.data;
  const keep = (part: Partial<Rules>) => {
    setError(undefined);
    void saver
      .run(async () => {
        const body = { rev, rules: { ...rules, ...part } };
        const now = await ask(api.PUT("/api/access-rules", { body }));
        queries.setQueryData(queryKeys.staff, now);
        await queries.invalidateQueries({ queryKey: queryKeys.me });
      })
      .catch((failure: unknown) => {
        setError(failure);
        // Where somebody else has set something meanwhile, the next try begins with what they set.
        void queries.invalidateQueries({ queryKey: queryKeys.staff });
      });
  };
  const minutes = [...new Set([...MINUTES, rules.idle_minutes])].sort(
    (a, b) => a - b,
  );
  return (
    <section className="block" id="access-rules">
      <h2>{t("access-title")}</h2>
      <ProblemNote error={error} />
      <p>
        <Checkbox
          id="leads-second-factor"
          disabled={saver.busy}
          checked={rules.leads_need_second_factor}
          onChange={(e) => keep({ leads_need_second_factor: e.target.checked })}
        >
          {t("access-leads-factor")}
        </Checkbox>
      </p>
      <p>
        <Checkbox
          id="own-patients"
          disabled={saver.busy}
          checked={rules.own_patients_only}
          onChange={(e) => keep({ own_patients_only: e.target.checked })}
        >
          {t("access-own")}
        </Checkbox>
      </p>
      <p className="row wrap">
        <label htmlFor="idle-minutes">{t("access-idle")}</label>
        <Choose
          id="idle-minutes"
          className="w-170"
          disabled={saver.busy}
          value={String(rules.idle_minutes)}
          options={minutes.map((m) => ({
            value: String(m),
            label: t("access-minutes", { minutes: m }),
          }))}
          onChange={(m) => keep({ idle_minutes: Number(m) })}
        />
      </p>
      <SaveMark state={saver.state} />
    </section>
  );
}
