import type { Ref } from "react";
import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";
import { PlanChart } from "../../pictures/PlanChart";
import { Legend } from "./Legend";
import { LineList } from "./LineList";

/** The program as a picture with the names that found no room below it, or as a list. */
export function Shown({
  page,
  why,
  view,
  tried,
  as,
  box,
  window,
  width,
  tight,
  selected,
  onSelect,
  onMove,
}: {
  page: Schemas["ProgramPage"];
  why: Schemas["LineWhy"][];
  view: Schemas["PlanChart"];
  /** What a school that is only tried would make of it: looked at and not touched. */
  tried: Schemas["PlanChart"] | undefined;
  as: "picture" | "list";
  box: Ref<HTMLDivElement>;
  window: [number, number];
  width: number;
  tight: boolean;
  selected: string | undefined;
  onSelect: (line: string | undefined) => void;
  onMove: (line: string, from: number, to: number) => void;
}) {
  const toggle = (id: string) =>
    !tried && onSelect(selected === id ? undefined : id);
  return (
    <>
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
          tight={tight}
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
