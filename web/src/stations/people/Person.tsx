import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Drawer from "antd/es/drawer";
import Form from "antd/es/form";
import Input from "antd/es/input";
import Popconfirm from "antd/es/popconfirm";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, type Schemas } from "../../app/client";
import { Nothing } from "../../app/Nothing";
import { ProblemNote } from "../../app/parts";
import { useSubmit } from "../../app/useSubmit";
import { queryKeys, renew } from "../../app/queryKeys";
import { t } from "../../app/wording";
import { SessionRows } from "../account/SessionRows";
import { type Role, roleChoices } from "./Invite";
import { LinkShown } from "./LinkShown";

type Row = Schemas["StaffRow"];

/** One person: what they are called and may do, a new way in, where they are signed in, the end of their access. */
export function Person({
  row,
  own,
  onClose,
}: {
  row: Row;
  own: boolean;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const path = { params: { path: { id: row.id } } };
  const [form, setForm] = useState({ name: row.name, role: row.role });
  const [link, setLink] = useState<Schemas["Link"]>();
  const { busy, error, run: submit, fault } = useSubmit();
  const ended = row.standing === "ended";
  const sessions = useQuery({
    queryKey: queryKeys.sessionsOf(row.id),
    queryFn: () => ask(api.GET("/api/staff/{id}/sessions", path)),
    enabled: !ended,
  });
  const run = (work: () => Promise<unknown>) =>
    void submit(work).then(() => {
      void queries.invalidateQueries({ queryKey: queryKeys.staff });
      void queries.invalidateQueries({
        queryKey: queryKeys.sessionsOf(row.id),
      });
      renew(queries, ["people"]);
    });
  const changed = form.name !== row.name || form.role !== row.role;
  return (
    <Drawer open onClose={onClose} title={row.name} size={480}>
      <ProblemNote error={error} />
      <Form
        layout="vertical"
        className="spaced"
        onFinish={() =>
          run(() => ask(api.PUT("/api/staff/{id}", { ...path, body: form })))
        }
      >
        <Form.Item
          label={t("join-name")}
          htmlFor="person-name"
          {...fault("name")}
        >
          <Input
            id="person-name"
            value={form.name}
            onChange={(e) => setForm({ ...form, name: e.target.value })}
          />
        </Form.Item>
        <Form.Item
          label={t("people-role")}
          htmlFor="person-role"
          {...fault("role")}
        >
          <Choose
            id="person-role"
            value={form.role}
            options={roleChoices()}
            onChange={(role) => setForm({ ...form, role: role as Role })}
          />
        </Form.Item>
        {changed && (
          <Button
            type="primary"
            htmlType="submit"
            id="person-keep"
            disabled={busy}
          >
            {t("person-keep")}
          </Button>
        )}
      </Form>
      {!ended && (
        <section className="above-14">
          <h3>{t("person-way")}</h3>
          <p className="soft small">{t("person-way-lead")}</p>
          {link && <LinkShown link={link} person={row.name} />}
          <p className="row flush">
            <Button
              id="person-link"
              disabled={busy}
              onClick={() =>
                run(async () =>
                  setLink(await ask(api.POST("/api/staff/{id}/link", path))),
                )
              }
            >
              {t("person-link")}
            </Button>
            {row.second_factor && !own && (
              <Popconfirm
                title={t("person-factor-ask", { person: row.name })}
                okText={t("factor-end")}
                cancelText={t("cancel")}
                onConfirm={() =>
                  run(() =>
                    ask(api.POST("/api/staff/{id}/second-factor/end", path)),
                  )
                }
              >
                <Button id="person-factor" disabled={busy}>
                  {t("factor-end")}
                </Button>
              </Popconfirm>
            )}
          </p>
        </section>
      )}
      {!ended && (
        <section className="above-14">
          <h3>{t("sessions-title")}</h3>
          {sessions.data?.sessions.length === 0 && (
            <Nothing says={t("sessions-none")} />
          )}
          <SessionRows
            rows={sessions.data?.sessions ?? []}
            busy={busy}
            onEnd={(session) =>
              run(() =>
                ask(
                  api.POST("/api/staff/{id}/sessions/{session}/end", {
                    params: { path: { id: row.id, session } },
                  }),
                ),
              )
            }
          />
        </section>
      )}
      <section className="above-14">
        <h3>{t("person-end-title")}</h3>
        <p className="soft small">{t("person-end-lead")}</p>
        {ended ? (
          <Button
            id="person-again"
            disabled={busy}
            onClick={() =>
              run(() => ask(api.POST("/api/staff/{id}/again", path)))
            }
          >
            {t("person-again")}
          </Button>
        ) : (
          <Popconfirm
            title={t("person-end-ask", { person: row.name })}
            okText={t("person-end")}
            cancelText={t("cancel")}
            onConfirm={() =>
              run(() => ask(api.POST("/api/staff/{id}/end", path)))
            }
          >
            <Button danger id="person-end" disabled={busy || own}>
              {t("person-end")}
            </Button>
          </Popconfirm>
        )}
      </section>
    </Drawer>
  );
}
