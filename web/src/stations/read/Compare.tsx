import { Choose } from "../../app/Choose";
import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { Pending } from "../../app/parts";
import { capital, nameOf, shortDate, t } from "../../app/wording";
import { answerText } from "../examine/words";
import { queryKeys } from "../../app/queryKeys";

type Row = Schemas["Compared"];
type Comparison = Schemas["VisitComparison"];
interface Days {
  before?: string;
  now?: string;
}
const SUBJECTS = ["range", "strength", "score", "test"] as const;

/** Two visits side by side, on demand: every day with findings can be chosen. */
export function Compare({ episode }: { episode: string }) {
  const [open, setOpen] = useState(false);
  const [days, setDays] = useState<Days>({});
  const page = useQuery({
    queryKey: queryKeys.comparison(episode, days),
    enabled: open,
    placeholderData: (kept) => kept,
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/comparison", {
          params: { path: { id: episode }, query: days },
        }),
      ),
  });
  if (!open)
    return (
      <p className="below-14">
        <Button size="small" id="compare-open" onClick={() => setOpen(true)}>
          {t("compare-open")}
        </Button>
      </p>
    );
  const view = page.data;
  if (!view) return <Pending query={page} />;
  return (
    <section className="block" id="compare">
      <h2>
        {t("compare-title")}{" "}
        <span className="soft small">{t("compare-lead")}</span>
      </h2>
      {!view.before || !view.now ? (
        <p className="soft">{t("compare-none")}</p>
      ) : (
        <Table view={view} onDays={setDays} />
      )}
    </section>
  );
}

/** Both days of everything that was found on either. */
function Table({
  view,
  onDays,
}: {
  view: Comparison;
  onDays: (days: Days) => void;
}) {
  return (
    <table className="criteria compare">
      <thead>
        <tr>
          <th />
          {(["before", "now"] as const).map((which) => (
            <th key={which}>
              {t(`compare-${which}`)}
              <br />
              <Choose
                className="w-150"
                aria-label={t(`compare-${which}`)}
                value={view[which] ?? ""}
                onChange={(day) =>
                  onDays({
                    ...(view.before ? { before: view.before } : {}),
                    ...(view.now ? { now: view.now } : {}),
                    [which]: day,
                  })
                }
                options={view.days
                  .filter((d) =>
                    which === "before"
                      ? d < (view.now ?? "")
                      : d > (view.before ?? ""),
                  )
                  .map((d) => ({ value: d, label: shortDate(d) }))}
              />
            </th>
          ))}
          <th />
        </tr>
      </thead>
      {SUBJECTS.map((subject) => (
        <Rows key={subject} view={view} subject={subject} />
      ))}
    </table>
  );
}

const name = (row: Row) =>
  capital(
    nameOf(
      row.subject === "range"
        ? "quantity"
        : row.subject === "score"
          ? "instrument"
          : row.subject,
      row.id,
    ),
  );

const value = (row: Row, answer: Schemas["TestAnswer"] | null | undefined) =>
  answer == null
    ? "–"
    : answer.kind === "number"
      ? answerText(
          { ...answer, value: Math.round(answer.value * 10) / 10 },
          row.unit,
        )
      : answerText(answer, row.unit);

function Rows({
  view,
  subject,
}: {
  view: Comparison;
  subject: (typeof SUBJECTS)[number];
}) {
  const rows = view.rows.filter((r) => r.subject === subject);
  if (rows.length === 0) return null;
  return (
    <tbody>
      <tr>
        <th colSpan={4} className="pad-top-12">
          {nameOf("subject", subject)}
        </th>
      </tr>
      {rows.map((r) => (
        <tr key={r.id} data-subject={subject} data-word={r.word ?? ""}>
          <td>{name(r)}</td>
          <td className="num">{value(r, r.before)}</td>
          <td className="num">
            <b>{value(r, r.now)}</b>
          </td>
          <td className="small">
            {r.unused ? (
              t("compare-unused")
            ) : r.word ? (
              `${r.worse ? `${t("read-worse")}, ` : ""}${nameOf("change", r.word)}`
            ) : (
              <span className="soft">
                {r.before && r.now && subject !== "test"
                  ? t("compare-no-word")
                  : ""}
              </span>
            )}
          </td>
        </tr>
      ))}
    </tbody>
  );
}
