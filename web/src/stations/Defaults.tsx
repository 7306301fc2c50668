import "../app/stationWords";
import "../../../locales/en/stations/clinic.ftl?learn";
import { InTurn, useInTurn } from "../app/InTurn";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Progress from "antd/es/progress";
import Table from "antd/es/table";
import { useMemo, useState } from "react";
import { api, ask, type Schemas } from "../app/client";
import { DraftMark, DraftNotes } from "../app/DraftNotes";
import { type Drafted, useDraft, useDraftKey } from "../app/drafts";
import { SaveMark, useSaver } from "../app/entries";
import { useFaulty } from "../app/faulty";
import { KeptNumber } from "../app/KeptNumber";
import { faultAt, Pending, ProblemNote } from "../app/parts";
import { queryKeys } from "../app/queryKeys";
import { capital, nameOf, t } from "../app/wording";
import { Beginning } from "./defaults/Beginning";
import { FollowedSchools } from "./defaults/FollowedSchools";
import { useTold } from "../app/useTold";
import { useSeen } from "../app/useSeen";
import { useReady } from "../app/useReady";

type Page = Schemas["DefaultsPage"];
export type Set = Schemas["ClinicDefaults"];

/** Rooms of the clinic that are one record: what a story begins with, and what there is to train with. */
export type DefaultsRoom = "defaults" | "kit";

/** What the clinic sets for itself. It goes into stories that begin from now on; those that run keep theirs. */
export function Defaults({ at, lead }: { at: string; lead: boolean }) {
  const page = useQuery({
    queryKey: queryKeys.defaults,
    queryFn: () => ask(api.GET("/api/defaults")),
  });
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  return <Rooms page={page.data} at={at} lead={lead} />;
}

function Rooms({ page, at, lead }: { page: Page; at: string; lead: boolean }) {
  const queries = useQueryClient();
  const seen = useSeen(at);
  const draft = useDraft<Set>(useDraftKey("defaults"), {
    value: page.defaults,
    rev: page.rev,
  });
  const saver = useSaver();
  const [tell, place] = useTold();
  const faulty = useFaulty();
  const [error, setError] = useState<unknown>();
  const set = (part: Partial<Set>) => {
    saver.touch();
    draft.set((now) => ({ ...now, ...part }));
  };
  const keep = () => {
    setError(undefined);
    if (!faulty.clear()) return;
    const sent = draft.value;
    saver
      .run(async () => {
        const next = await ask(
          api.PUT("/api/defaults", {
            body: { rev: page.rev, defaults: sent },
          }),
        );
        draft.handedIn(sent, next.rev);
        queries.setQueryData(queryKeys.defaults, next);
        tell(t("defaults-kept"));
      })
      .catch((failure: unknown) => {
        setError(failure);
        void queries.invalidateQueries({ queryKey: queryKeys.defaults });
      });
  };
  const foot = (
    <>
      <ProblemNote error={error} />
      {lead ? (
        <p className="row wrap save-bar" data-dirty={draft.dirty}>
          <Button
            type="primary"
            className="keep-defaults"
            disabled={!draft.dirty || saver.busy}
            onClick={keep}
          >
            {t("defaults-keep")}
          </Button>
          <SaveMark state={saver.state} />
          <DraftMark draft={draft} />
        </p>
      ) : (
        <p className="soft small">{t("defaults-by-lead")}</p>
      )}
    </>
  );
  return (
    <>
      {place}
      {seen.includes("defaults") && (
        <div hidden={at !== "defaults"} id="defaults">
          <div className="page-head">
            <h1>{t("defaults-title")}</h1>
            <span className="soft">{t("defaults-lead")}</span>
          </div>
          <Others draft={draft} />
          <InTurn>
            <Beginning
              set={draft.value}
              lead={lead}
              onChange={set}
              minutes={
                <KeptNumber
                  keep="default-minutes"
                  id="default-minutes"
                  label={t("minutes-per-day")}
                  rule="minutes_per_day"
                  value={draft.value.minutes_per_day ?? null}
                  disabled={!lead}
                  onValue={faulty.take("minutes", (minutes_per_day) =>
                    set({ minutes_per_day }),
                  )}
                  fault={faultAt(error, "defaults.minutes_per_day")}
                />
              }
            />
            <FollowedSchools
              page={page}
              set={draft.value}
              lead={lead}
              onChange={(schools) => set({ schools })}
            />
            {foot}
          </InTurn>
        </div>
      )}
      {seen.includes("kit") && (
        <div hidden={at !== "kit"} id="kit-room">
          <div className="page-head">
            <h1>{t("kit-room-title")}</h1>
            <span className="soft">{t("kit-room-lead")}</span>
          </div>
          <Others draft={draft} />
          <Kit page={page} set={draft.value} lead={lead} onChange={set} />
          {foot}
        </div>
      )}
    </>
  );
}

/** What another window or somebody else has set meanwhile. */
function Others({ draft }: { draft: Drafted<Set> }) {
  const field = (name: string) => t(`defaults-${name.replaceAll("_", "-")}`);
  return (
    <DraftNotes
      draft={draft}
      says={(other) =>
        Object.entries(other)
          .map(([name, value]) => `${field(name)}: ${said(value)}`)
          .join("\n")
      }
      field={field}
      fieldSays={(_, value) => said(value)}
    />
  );
}

function said(value: unknown): string {
  if (value === null || value === undefined) return t("draft-nothing");
  if (Array.isArray(value))
    return value.map((id) => nameOf("kit", String(id))).join(", ");
  if (typeof value === "object")
    return Object.values(value as Record<string, Record<string, string>>)
      .flatMap((chosen) => Object.values(chosen))
      .map((school) => nameOf("school", school))
      .join(", ");
  const text = String(value as string | number);
  return typeof value === "number" ? text : nameOf("setting", text);
}

/** Rows of a long list that are drawn at once. */
const ROWS_AT_ONCE = 8;

/** Every piece of kit: how much hangs on it, whether most people have it, whether the clinic lends it. */
function Kit({
  page,
  set,
  lead,
  onChange,
}: {
  page: Page;
  set: Set;
  lead: boolean;
  onChange: (part: Partial<Set>) => void;
}) {
  const most = Math.max(...page.kit.map((k) => k.exercises));
  const { kit = [], lent = [] } = set;
  // A row is a new one when what it shows is, and else is not drawn again with every turn.
  const rows = useMemo(
    () =>
      [...page.kit]
        .sort((a, b) => b.exercises - a.exercises)
        .map((piece) => ({ ...piece, kit, lent, lead })),
    [page.kit, kit, lent, lead],
  );
  type Row = (typeof rows)[number];
  const shouldCellUpdate = (row: Row, before: Row) => row !== before;
  const drawn = useInTurn(rows.length, ROWS_AT_ONCE);
  const tick = (list: "kit" | "lent", title: string) => ({
    title,
    key: list,
    width: 190,
    shouldCellUpdate,
    render: (_: unknown, row: Row) => (
      <Checkbox
        id={`${list}-${row.id}`}
        aria-label={`${title}: ${nameOf("kit", row.id)}`}
        disabled={!row.lead}
        checked={row[list].includes(row.id)}
        onChange={(e) =>
          onChange({
            [list]: e.target.checked
              ? [...row[list], row.id]
              : row[list].filter((id) => id !== row.id),
          })
        }
      />
    ),
  });
  return (
    <>
      <Table
        id="kit-table"
        size="small"
        pagination={false}
        rowKey="id"
        dataSource={rows.slice(0, drawn)}
        columns={[
          {
            title: t("kit-room-what"),
            dataIndex: "id",
            shouldCellUpdate,
            render: (id: string) => capital(nameOf("kit", id)),
          },
          {
            title: t("kit-room-exercises"),
            dataIndex: "exercises",
            responsive: ["sm"],
            width: 260,
            shouldCellUpdate,
            render: (n: number, row) => (
              <Progress
                size="small"
                status="normal"
                percent={(n / most) * 100}
                format={() => <span className="num">{n}</span>}
                aria-label={`${nameOf("kit", row.id)}: ${n}`}
              />
            ),
          },
          tick("kit", t("kit-room-home")),
          tick("lent", t("kit-room-lent")),
        ]}
      />
      {drawn < rows.length && <div className="in-turn" aria-hidden="true" />}
    </>
  );
}
