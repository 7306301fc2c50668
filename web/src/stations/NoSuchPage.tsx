import "../app/stationWords";
import Button from "antd/es/button";
import Result from "antd/es/result";
import { useNavigate } from "react-router";
import { t } from "../app/wording";
import { LaneMark } from "../pictures/Marks";

/** An address that leads nowhere, and the way back. */
export default function NoSuchPage() {
  const navigate = useNavigate();
  return (
    <div id="no-page">
      <Result
        icon={<LaneMark lane="quiet" size={44} />}
        title={<h1>{t("no-page-title")}</h1>}
        subTitle={t("no-page-lead")}
        extra={
          <Button type="primary" onClick={() => void navigate("/")}>
            {t("no-page-home")}
          </Button>
        }
      />
    </div>
  );
}
