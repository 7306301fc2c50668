import Button from "antd/es/button";
import { Nothing } from "../../app/Nothing";
import { t } from "../../app/wording";
import { LaneMark } from "../../pictures/Marks";

/** A list without anybody, and a day on which nobody needs a decision: said as what it is. */
export function Quiet({
  active,
  quiet,
  narrowed,
  onAll,
}: {
  /** How many are under treatment, and how many of them are quiet. */
  active: number;
  quiet: number;
  narrowed: boolean;
  onAll: () => void;
}) {
  if (narrowed)
    return (
      <Nothing says={t("decisions-none-found")}>
        <Button onClick={onAll}>{t("filter-none")}</Button>
      </Nothing>
    );
  if (active === 0) return <Nothing says={t("decisions-empty")} />;
  if (active > quiet) return null;
  return (
    <p className="all-quiet" id="all-quiet" role="status">
      <LaneMark lane="quiet" size={34} />
      <span>
        <b>{t("decisions-all-quiet")}</b>
        <br />
        <span className="soft">{t("decisions-all-quiet-more")}</span>
      </span>
    </p>
  );
}
