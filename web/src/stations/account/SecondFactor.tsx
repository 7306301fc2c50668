import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { CopyKey } from "../../app/CopyKey";
import { ProblemNote } from "../../app/parts";
import { useSubmit } from "../../app/useSubmit";
import { queryKeys } from "../../app/queryKeys";
import { t } from "../../app/wording";

type Offered = Schemas["OfferedFactor"];

/** How far somebody has come in taking up a second factor, or in laying it down. */
type Step =
  | { at: "rest" }
  | { at: "password"; ends: boolean }
  | { at: "code"; offered: Offered }
  | { at: "codes"; codes: string[] };

/** A telephone that works out six digits, and codes for the day it is lost. */
export function SecondFactor({
  on,
  onChange,
}: {
  on: boolean;
  onChange: () => void;
}) {
  const [step, setStep] = useState<Step>({ at: "rest" });
  const { busy, error, run, fault } = useSubmit();
  const state = useQuery({
    queryKey: queryKeys.secondFactor,
    queryFn: () => ask(api.GET("/api/me/second-factor")),
    enabled: on,
  });
  const go = (work: () => Promise<Step>) =>
    run(async () => setStep(await work()));
  const withPassword = (password: string, ends: boolean) =>
    go(async (): Promise<Step> => {
      const body = { password };
      if (!ends)
        return {
          at: "code",
          offered: await ask(api.POST("/api/me/second-factor", { body })),
        };
      await ask(api.POST("/api/me/second-factor/end", { body }));
      onChange();
      return { at: "rest" };
    });
  const confirm = (code: string) =>
    go(async (): Promise<Step> => {
      const done = await ask(
        api.POST("/api/me/second-factor/confirm", { body: { code } }),
      );
      return { at: "codes", codes: done.codes };
    });
  return (
    <section className="block" id="second-factor">
      <h2>{t("factor-title")}</h2>
      <ProblemNote error={error} />
      {step.at === "rest" && (
        <>
          <p>
            {on
              ? t("factor-on", { count: state.data?.codes_left ?? 0 })
              : t("factor-off")}
          </p>
          <Button
            id={on ? "factor-end" : "factor-begin"}
            onClick={() => setStep({ at: "password", ends: on })}
          >
            {on ? t("factor-end") : t("factor-begin")}
          </Button>
        </>
      )}
      {step.at === "password" && (
        <Form<{ password?: string }>
          name="factor"
          layout="vertical"
          className="spaced"
          requiredMark={false}
          onFinish={({ password = "" }) =>
            void withPassword(password, step.ends)
          }
        >
          <Form.Item
            name="password"
            label={t("factor-password")}
            {...fault("password")}
          >
            <Input.Password autoComplete="current-password" autoFocus />
          </Form.Item>
          <p className="row flush">
            <Button
              type="primary"
              danger={step.ends}
              htmlType="submit"
              loading={busy}
              id="factor-go"
            >
              {step.ends ? t("factor-end") : t("factor-go")}
            </Button>
            <Button onClick={() => setStep({ at: "rest" })}>
              {t("cancel")}
            </Button>
          </p>
        </Form>
      )}
      {step.at === "code" && (
        <Take
          offered={step.offered}
          fault={fault}
          busy={busy}
          onCode={(code) => void confirm(code)}
        />
      )}
      {step.at === "codes" && (
        <Codes
          codes={step.codes}
          onKept={() => {
            setStep({ at: "rest" });
            onChange();
          }}
        />
      )}
    </section>
  );
}

/** The secret as a picture and in letters, and the digits that show that the telephone has it. */
function Take({
  offered,
  fault,
  busy,
  onCode,
}: {
  offered: Offered;
  fault: ReturnType<typeof useSubmit>["fault"];
  busy: boolean;
  onCode: (code: string) => void;
}) {
  const picture = `data:image/svg+xml,${encodeURIComponent(offered.picture)}`;
  return (
    <div className="factor-take">
      <img src={picture} alt={t("factor-picture")} width={220} height={220} />
      <div>
        <p className="flush">{t("factor-take")}</p>
        <p className="num small" id="factor-secret">
          {(offered.secret.match(/.{1,4}/g) ?? []).join(" ")}
        </p>
        <Form<{ code?: string }>
          name="factor"
          layout="vertical"
          className="spaced"
          requiredMark={false}
          onFinish={({ code = "" }) => onCode(code)}
        >
          <Form.Item name="code" label={t("factor-code")} {...fault("code")}>
            <Input inputMode="numeric" autoComplete="one-time-code" autoFocus />
          </Form.Item>
          <Button
            type="primary"
            htmlType="submit"
            loading={busy}
            id="factor-confirm"
          >
            {t("factor-confirm")}
          </Button>
        </Form>
      </div>
    </div>
  );
}

/** Codes for the day the telephone is lost, shown this once. */
function Codes({ codes, onKept }: { codes: string[]; onKept: () => void }) {
  return (
    <>
      <p>{t("factor-codes")}</p>
      <ol className="factor-codes num" id="factor-codes">
        {codes.map((code) => (
          <li key={code}>{code}</li>
        ))}
      </ol>
      <p className="row flush">
        <Button type="primary" onClick={onKept} id="factor-kept">
          {t("factor-kept")}
        </Button>
        <CopyKey text={codes.join("\n")} />
      </p>
    </>
  );
}
