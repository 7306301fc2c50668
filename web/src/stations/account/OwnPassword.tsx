import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask } from "../../app/client";
import { ProblemNote } from "../../app/parts";
import { useSubmit } from "../../app/useSubmit";
import { t } from "../../app/wording";

interface Typed {
  old?: string;
  chosen?: string;
}

/** Another password. Wherever else one is signed in, one is signed out. */
export function OwnPassword({ onDone }: { onDone: () => void }) {
  const [form] = Form.useForm<Typed>();
  const { busy, error, run, fault } = useSubmit();
  const [done, setDone] = useState(false);
  const change = async ({ old = "", chosen = "" }: Typed) => {
    setDone(false);
    const body = { old, new: chosen };
    if (!(await run(() => ask(api.PUT("/api/me/password", { body }))))) return;
    form.resetFields();
    setDone(true);
    onDone();
  };
  return (
    <section className="block" id="own-password">
      <h2>{t("password-title")}</h2>
      <ProblemNote error={error} />
      <Form<Typed>
        name="own"
        form={form}
        layout="vertical"
        className="spaced"
        requiredMark={false}
        onFinish={(typed) => void change(typed)}
      >
        <Form.Item name="old" label={t("password-old")} {...fault("old")}>
          <Input.Password autoComplete="current-password" />
        </Form.Item>
        <Form.Item
          name="chosen"
          label={t("password-new")}
          extra={t("password-how")}
          {...fault("new")}
        >
          <Input.Password autoComplete="new-password" />
        </Form.Item>
        <p className="row flush">
          <Button
            type="primary"
            htmlType="submit"
            loading={busy}
            id="password-change"
          >
            {t("password-change")}
          </Button>
          <span role="status" className="soft small">
            {done && t("password-changed")}
          </span>
        </p>
      </Form>
    </section>
  );
}
