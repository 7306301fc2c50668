import type { Ref } from "react";
import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";
import { PlanChart } from "../../pictures/PlanChart";
import type { Draft } from "./draft";
import { type As, Weeks } from "./Head";
import { Legend } from "./Legend";
import { LineList } from "./LineList";
import { Week } from "./week/Week";

/** The program as a picture with the names that found no room below it, as a list, or as the week at home. */
export function Shown({
  episode,
  page,
  why,
  draft,
  view,
  tried,
  as,
  today,
  box,
  window,
  width,
  weeks,
  selected,
  onSelect,
  onMove,
}: {
  episode: string;
  page: Schemas["ProgramPage"];
  why: Schemas["LineWhy"][];
  draft: Draft;
  view: Schemas["PlanChart"];
  /** What a school that is only tried would make of it: looked at and not touched. */
  tried: Schemas["PlanChart"] | undefined;
  as: As;
  today: string;
  box: Ref<HTMLDivElement>;
  window: [number, number];
  width: number;
  /** One week after another, where one is shown. */
  weeks: { at: number; onWeek: (week: number) => void } | undefined;
  selected: string | undefined;
  onSelect: (line: string | undefined) => void;
  onMove: (line: string, from: number, to: number) => void;
}) {
  const toggle = (id: string) => {
    if (!tried) onSelect(selected === id ? undefined : id);
  };
  if (as === "week")
    return (
      <Week
        episode={episode}
        rev={page.rev}
        view={view}
        draft={draft}
        today={today}
        selected={selected}
        onSelect={toggle}
      />
    );
  return (
    <>
      {weeks && <Weeks {...weeks} end={view.end_day} />}
      {as === "list" && (
        <LineList
          view={tried ?? view}
          why={why}
          running={page.running}
          selected={selected}
          onSelect={toggle}
        />
      )}
      <div className="chart-wrap no-print" ref={box} hidden={as === "list"}>
        <PlanChart
          view={tried ?? view}
          selected={tried ? undefined : selected}
          onSelect={toggle}
          onMove={tried ? () => undefined : onMove}
          window={window}
          width={width}
          tight={weeks !== undefined}
        />
      </div>
      {as === "picture" && (
        <>
          <Legend
            view={tried ?? view}
            window={window}
            width={width}
            onSelect={toggle}
          />
          <p className="soft small no-print" id="chart-keys">
            {t("chart-keys")}
          </p>
        </>
      )}
    </>
  );
}
