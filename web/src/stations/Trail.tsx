import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import { useInfiniteQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Table from "antd/es/table";
import { Link, useSearchParams } from "react-router";
import { Choose } from "../app/Choose";
import { api, ask, type Schemas } from "../app/client";
import { Nothing } from "../app/Nothing";
import { Pending } from "../app/parts";
import { queryKeys } from "../app/queryKeys";
import { usePeople } from "../app/usePeople";
import { moment, nameOf, t } from "../app/wording";

type Row = Schemas["TraceRow"];

/** What somebody looked at or did, in words. */
function What({ row }: { row: Row }) {
  if (row.wrote)
    return (
      <>
        <b>{nameOf("did", row.what)}</b>
        {row.words && <span>: {row.words}</span>}
      </>
    );
  return (
    <span>
      {t("trail-looked")} {nameOf("looked", row.what)}
    </span>
  );
}

/** Who looked at whose record and who wrote in it: for a lead, for an auditor, and for the patient who asks. */
export function Trail() {
  const [search, setSearch] = useSearchParams();
  const patient = search.get("patient") ?? undefined;
  const who = search.get("who") ?? undefined;
  const people = usePeople();
  const pages = useInfiniteQuery({
    queryKey: queryKeys.trail(patient, who),
    queryFn: ({ pageParam: before }) =>
      ask(
        api.GET("/api/trail", {
          params: {
            query: {
              ...(patient && { patient }),
              ...(who && { who }),
              ...(before && { before }),
            },
          },
        }),
      ),
    initialPageParam: "",
    getNextPageParam: (last) => (last.more ? last.rows.at(-1)?.at : undefined),
  });
  const rows = pages.data?.pages.flatMap((p) => p.rows) ?? [];
  const set = (name: string, value: string | undefined) => {
    const next = new URLSearchParams(search);
    if (value) next.set(name, value);
    else next.delete(name);
    setSearch(next, { replace: true });
  };
  const name = rows.find((r) => r.patient === patient)?.patient_name;
  return (
    <section className="block" id="trail">
      <div className="page-head">
        <h1>{t("trail-title")}</h1>
        <span className="soft">{t("trail-lead")}</span>
      </div>
      <p className="row wrap no-print">
        <Choose
          id="trail-who"
          className="w-240"
          aria-label={t("trail-who")}
          value={who ?? ""}
          options={[
            { value: "", label: t("trail-everybody") },
            ...(people.data?.people ?? []).map((p) => ({
              value: p.id,
              label: p.name,
            })),
          ]}
          onChange={(id) => set("who", id || undefined)}
        />
        {patient && (
          <Button id="trail-all" onClick={() => set("patient", undefined)}>
            {t("trail-all")}
          </Button>
        )}
      </p>
      {patient && name && <h2>{t("trail-of", { person: name })}</h2>}
      {!pages.data && <Pending query={pages} />}
      {pages.data && rows.length === 0 && <Nothing says={t("trail-none")} />}
      {rows.length > 0 && (
        <Table<Row>
          id="trail-rows"
          size="small"
          pagination={false}
          rowKey={(row) => `${row.at}${row.who}${row.what}${row.patient}`}
          dataSource={rows}
          scroll={{ x: "max-content" }}
          columns={[
            {
              title: t("trail-when"),
              className: "num",
              render: (_, row) => moment(row.at),
            },
            {
              title: t("people-name"),
              render: (_, row) => row.who ?? t("trail-application"),
            },
            { title: t("trail-what"), render: (_, row) => <What row={row} /> },
            {
              title: t("trail-whose"),
              render: (_, row) =>
                row.patient && row.patient_name ? (
                  <Link to={`/clinic/trail?patient=${row.patient}`}>
                    {row.patient_name}
                  </Link>
                ) : (
                  "–"
                ),
            },
          ]}
        />
      )}
      {pages.hasNextPage && (
        <p className="above-14 no-print">
          <Button
            id="trail-more"
            loading={pages.isFetchingNextPage}
            onClick={() => void pages.fetchNextPage()}
          >
            {t("trail-more")}
          </Button>
        </p>
      )}
    </section>
  );
}
