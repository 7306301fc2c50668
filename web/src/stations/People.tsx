import "../app/stationWords";
import "../../../locales/en/stations/account.ftl?learn";
import "../../../locales/en/stations/clinic.ftl?learn";
import Table from "antd/es/table";
import { Pending } from "../app/parts";
import { InTurn } from "../app/InTurn";
import { usePeople } from "../app/usePeople";
import { t } from "../app/wording";
import { useReady } from "../app/useReady";
import { AccessRules } from "./people/AccessRules";
import { Covers } from "./people/Covers";
import { Staff } from "./people/Staff";

/**
 * Who works here, and who looks after whose patients while somebody is away. A lead also invites people, ends their
 * access and sets the rules about it.
 */
export function People({
  today,
  me,
  lead,
}: {
  today: string;
  me: string;
  lead: boolean;
}) {
  const page = usePeople();
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  return (
    <>
      <div className="page-head">
        <h1>{t("people-title")}</h1>
        <span className="soft">{t("people-lead")}</span>
      </div>
      <InTurn>
        {lead && <Staff me={me} />}
        <div className="two">
          {lead ? (
            <AccessRules />
          ) : (
            <section className="block">
              <Table
                id="people"
                size="middle"
                pagination={false}
                rowKey="id"
                dataSource={page.data.people}
                columns={[
                  { title: t("people-name"), dataIndex: "name" },
                  {
                    title: t("people-role"),
                    dataIndex: "role",
                    render: (role: string) =>
                      t(`role-${role.replace("_", "-")}`),
                  },
                ]}
              />
              <p className="soft small above-8">{t("people-by-lead")}</p>
            </section>
          )}
          <Covers page={page.data} today={today} me={me} />
        </div>
      </InTurn>
    </>
  );
}
