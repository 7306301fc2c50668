import Button from "antd/es/button";
import Table from "antd/es/table";
import { useState } from "react";
import type { Schemas } from "../../app/client";
import { Pending } from "../../app/parts";
import { moment, t } from "../../app/wording";
import { Invite } from "./Invite";
import { Person } from "./Person";
import { useStaff } from "./useStaff";

type Row = Schemas["StaffRow"];

/** How somebody's access stands, in a word or two. */
function Standing({ row }: { row: Row }) {
  const until = row.link_until ? moment(row.link_until) : "";
  const soft = row.standing === "ended";
  return (
    <span className={soft ? "soft" : undefined} data-standing={row.standing}>
      {t(`standing-${row.standing}`, { until })}
      {row.must_change && row.standing === "active" && (
        <span className="drawn small soft">{t("standing-must-change")}</span>
      )}
    </span>
  );
}

/** Everybody who comes in or once did; a press on one opens what can be done about them. */
export function Staff({ me }: { me: string }) {
  const page = useStaff();
  const [open, setOpen] = useState<string>();
  const [inviting, setInviting] = useState(false);
  if (!page.data) return <Pending query={page} />;
  const { people } = page.data;
  const person = people.find((p) => p.id === open);
  return (
    <section className="block" id="staff">
      <Table<Row>
        id="people"
        size="middle"
        pagination={false}
        rowKey="id"
        dataSource={people}
        scroll={{ x: "max-content" }}
        columns={[
          {
            title: t("people-name"),
            render: (_, row) => (
              <button
                className="plain"
                data-person={row.login}
                onClick={() => setOpen(row.id)}
              >
                <b>{row.name}</b>
              </button>
            ),
          },
          { title: t("people-login"), dataIndex: "login" },
          {
            title: t("people-role"),
            render: (_, row) => t(`role-${row.role.replace("_", "-")}`),
          },
          {
            title: t("people-standing"),
            render: (_, row) => <Standing row={row} />,
          },
          {
            title: t("factor-title"),
            render: (_, row) => (row.second_factor ? t("yes") : t("no")),
          },
          {
            title: t("people-seen"),
            className: "num",
            render: (_, row) => (row.seen ? moment(row.seen) : "–"),
          },
        ]}
      />
      <p className="above-14 flush">
        <Button type="primary" id="invite" onClick={() => setInviting(true)}>
          {t("invite")}
        </Button>
      </p>
      {inviting && <Invite onClose={() => setInviting(false)} />}
      {person && (
        <Person
          key={person.id}
          row={person}
          own={person.id === me}
          onClose={() => setOpen(undefined)}
        />
      )}
    </section>
  );
}
