import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Drawer from "antd/es/drawer";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, newId, type Schemas } from "../../app/client";
import { ProblemNote } from "../../app/parts";
import { useSubmit } from "../../app/useSubmit";
import { queryKeys, renew } from "../../app/queryKeys";
import { useKept } from "../../app/useKept";
import { t } from "../../app/wording";
import { LinkShown } from "./LinkShown";

export type Role = Schemas["Role"];

/** Roles that people have. */
export const ROLES = [
  "clinician",
  "lead",
  "assistant",
  "auditor",
  "learner",
] as const satisfies Role[];

/** The roles as they are chosen, each with what it may do. */
export const roleChoices = () =>
  ROLES.map((role) => ({
    value: role as Role,
    label: `${t(`role-${role}`)}: ${t(`allowed-${role}`)}`,
  }));

const BLANK = { name: "", login: "", role: "clinician" as Role };

/** Somebody new: a name, what they sign in with, what they may do; then the link to hand over. */
export function Invite({ onClose }: { onClose: () => void }) {
  const queries = useQueryClient();
  const [form, setForm] = useKept("invite", BLANK);
  const [id] = useState(newId);
  const [link, setLink] = useState<Schemas["Link"]>();
  const [invited, setInvited] = useState("");
  const { busy, error, run, fault } = useSubmit();
  const set = (part: Partial<typeof BLANK>) =>
    setForm((now) => ({ ...now, ...part }));
  const send = () =>
    run(async () => {
      setLink(await ask(api.POST("/api/staff", { body: { id, ...form } })));
      setInvited(form.name);
      setForm(BLANK);
      void queries.invalidateQueries({ queryKey: queryKeys.staff });
      renew(queries, ["people"]);
    });
  return (
    <Drawer
      open
      onClose={onClose}
      title={t("invite-title")}
      size={440}
      mask={{ closable: false }}
    >
      {link ? (
        <>
          <LinkShown link={link} person={invited} />
          <Button onClick={onClose} id="invite-done">
            {t("link-handed")}
          </Button>
        </>
      ) : (
        <Form layout="vertical" className="spaced" onFinish={() => void send()}>
          <ProblemNote error={error} />
          <Form.Item
            label={t("join-name")}
            htmlFor="invite-name"
            {...fault("name")}
          >
            <Input
              id="invite-name"
              autoFocus
              value={form.name}
              onChange={(e) => set({ name: e.target.value })}
            />
          </Form.Item>
          <Form.Item
            label={t("people-login")}
            htmlFor="invite-login"
            extra={t("join-login-how")}
            {...fault("login")}
          >
            <Input
              id="invite-login"
              autoCapitalize="none"
              value={form.login}
              onChange={(e) => set({ login: e.target.value })}
            />
          </Form.Item>
          <Form.Item
            label={t("people-role")}
            htmlFor="invite-role"
            {...fault("role")}
          >
            <Choose
              id="invite-role"
              value={form.role}
              options={roleChoices()}
              onChange={(role) => set({ role: role as Role })}
            />
          </Form.Item>
          <Button
            type="primary"
            htmlType="submit"
            id="invite-send"
            loading={busy}
          >
            {t("invite-make")}
          </Button>
        </Form>
      )}
    </Drawer>
  );
}
