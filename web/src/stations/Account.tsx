import "../app/stationWords";
import "../../../locales/en/stations/account.ftl?learn";
import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import { api, ask, type Schemas } from "../app/client";
import { queryKeys } from "../app/queryKeys";
import { t } from "../app/wording";
import { Notice } from "../app/Notice";
import { OwnPassword } from "./account/OwnPassword";
import { OwnSessions } from "./account/OwnSessions";
import { SecondFactor } from "./account/SecondFactor";

type Me = Schemas["Me"];

/** One's own account: password, second factor, sessions. Where something must be done first, only that. */
export default function Account({ me }: { me: Me }) {
  const queries = useQueryClient();
  const renewed = () =>
    void queries.invalidateQueries({ queryKey: queryKeys.me });
  if (me.must)
    return (
      <main className="first-do" id="main">
        <div className="page-head">
          <h1>{t(`must-${me.must}`)}</h1>
          <Button
            size="small"
            onClick={() =>
              void ask(api.DELETE("/api/session")).finally(() =>
                window.location.assign("/"),
              )
            }
          >
            {t("sign-out")}
          </Button>
        </div>
        <Notice kind="decide">{t(`must-${me.must}-why`)}</Notice>
        {me.must === "password" ? (
          <OwnPassword onDone={renewed} />
        ) : (
          <SecondFactor on={false} onChange={renewed} />
        )}
      </main>
    );
  return (
    <>
      <div className="page-head">
        <h1>{t("account-title")}</h1>
        <span className="soft">
          {t("account-lead", {
            person: me.name,
            login: me.login,
            what: t(`role-${me.role.replace("_", "-")}`),
          })}
        </span>
      </div>
      <div className="two">
        <div className="blocks">
          <OwnPassword onDone={renewed} />
          <SecondFactor on={me.second_factor} onChange={renewed} />
        </div>
        <OwnSessions minutes={me.idle_minutes} />
      </div>
    </>
  );
}
