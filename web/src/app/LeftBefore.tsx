import Button from "antd/es/button";
import type { ReactNode } from "react";
import { Discard } from "./DraftNotes";
import { Notice } from "./Notice";
import type { OfDay } from "./ofDay";
import { shortDate, t } from "./wording";

/** What earlier days left unsent: shown with its day, taken up for today or thrown away by a person only. */
export function LeftBefore<T>({
  kept,
  says,
}: {
  kept: {
    before: OfDay<T>[];
    take: (left: OfDay<T>) => void;
    drop: (left: OfDay<T>) => void;
  };
  says: (value: T) => ReactNode;
}) {
  return kept.before.map((left) => (
    <Notice
      key={JSON.stringify(left)}
      kind="decide"
      role="status"
      className="left-before"
      data={{ on: left.on }}
    >
      <b>{t("left-before", { date: shortDate(left.on) })}</b>{" "}
      <span className="other-words">{says(left.value)}</span>
      <p className="row wrap flush above-6">
        <Button onClick={() => kept.take(left)}>{t("left-before-take")}</Button>
        <Discard ask={t("draft-drop-ask")} onYes={() => kept.drop(left)}>
          {t("left-before-drop")}
        </Discard>
      </p>
    </Notice>
  ));
}
