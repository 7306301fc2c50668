import Button from "antd/es/button";
import Table from "antd/es/table";
import type { Schemas } from "../../app/client";
import { doseInShort } from "../../app/dose";
import { capital, nameOf, t } from "../../app/wording";
import { reasonText } from "./reasonText";
import { numbered } from "../../pictures/chart/numbered";

type LineView = Schemas["LineView"];

/** The program for those who read: the same numbers as in the picture, names in full, when, how much, and why. */
export function LineList({
  view,
  why,
  running,
  selected,
  onSelect,
}: {
  view: Schemas["PlanChart"];
  why: Schemas["LineWhy"][];
  /** Ids of the lines that run today. */
  running: string[];
  selected: string | undefined;
  onSelect: (line: string) => void;
}) {
  const rows = numbered(view.lines);
  const reasons = (l: LineView) =>
    why.find((w) => w.exercise === l.ladder)?.reasons ?? [];
  const same = (l: LineView) => rows.filter((r) => r.line.ladder === l.ladder);
  const span = (l: LineView) => (same(l)[0]?.line === l ? same(l).length : 0);
  return (
    <Table
      id="line-list"
      size="small"
      pagination={false}
      rowKey={(r) => r.line.line.id}
      dataSource={rows}
      rowClassName={(r) => (r.line.line.id === selected ? "chosen" : "")}
      columns={[
        {
          title: t("list-number"),
          width: 44,
          render: (_, r) => <span className="num soft">{r.n}</span>,
        },
        {
          title: t("list-exercise"),
          render: (_, r) => (
            <>
              <Button
                type="link"
                className="list-name"
                data-line={r.line.line.exercise}
                aria-pressed={r.line.line.id === selected}
                onClick={() => onSelect(r.line.line.id)}
              >
                {nameOf("exercise", r.line.line.exercise)}
              </Button>
              <span className="drawn small soft">
                {capital(nameOf("purpose", r.line.purpose))}
                {r.line.line.by_hand ? `, ${t("list-by-hand")}` : ""}
                {r.line.verdict.status === "allowed" ? (
                  ""
                ) : (
                  <b> {t(`verdict-${r.line.verdict.status}`)}</b>
                )}
              </span>
            </>
          ),
        },
        {
          title: t("list-when"),
          width: 148,
          render: (_, r) => (
            <span className="num">
              {t("day-range", {
                from: String(r.line.line.from_day),
                to: String(r.line.line.to_day - 1),
              })}
              {running.includes(r.line.line.id) && (
                <b className="drawn small">{t("list-today")}</b>
              )}
            </span>
          ),
        },
        {
          title: t("list-dose"),
          width: 170,
          render: (_, r) => (
            <span className="num">
              {doseInShort(r.line.line.dose)}, {r.line.line.dose.times_per_day}/
              {t("day")}
            </span>
          ),
        },
        {
          title: t("list-why"),
          // The rungs of a ladder stand there for the same reasons: said once.
          onCell: (r) => ({ rowSpan: span(r.line) }),
          render: (_, r) => (
            <span className="small">
              {reasons(r.line).map(reasonText).join(" ") || t("list-why-none")}
            </span>
          ),
        },
      ]}
    />
  );
}
