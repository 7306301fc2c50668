import type { Schemas } from "../../app/client";
import { clock, shortDate, t } from "../../app/wording";
import { PlanChart } from "../../pictures/PlanChart";
import type { Draft } from "./draft";

/** The chart on two sheets of paper, each with whose it is. */
export function Printed({
  page,
  draft,
  view,
  who,
}: {
  page: Schemas["ProgramPage"];
  draft: Draft;
  view: Schemas["PlanChart"];
  who: string;
}) {
  const half = Math.ceil(view.end_day / 14) * 7;
  return (
    <div className="print-only">
      {(
        [
          [0, half],
          [half, view.end_day],
        ] as [number, number][]
      ).map((w, i) => (
        <div key={i} className="print-sheet">
          <p className="num">
            <b>{who}</b> · {clock(view.today)} ·{" "}
            {page.signed && !draft.draft && page.signed.current
              ? t("signed-version", {
                  version: page.signed.version,
                  date: shortDate(page.signed.on),
                })
              : t("print-draft")}{" "}
            · {t("print-sheet", { n: i + 1 })}
          </p>
          <PlanChart
            view={view}
            selected={undefined}
            onSelect={() => undefined}
            window={w}
            width={1360}
            tight
          />
          <p className="soft small">{t("defers")}</p>
        </div>
      ))}
    </div>
  );
}
