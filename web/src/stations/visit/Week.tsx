import Button from "antd/es/button";
import { useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { t } from "../../app/wording";

const HOW = ["all", "half", "hardly"] as const;

/** A week at home in one tap: told as a whole, for adherence only. */
export function Week({
  episode,
  view,
  today,
  onDone,
  onError,
}: {
  episode: string;
  view: Schemas["VisitView"];
  today: string;
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const [told, setTold] = useState<string>();
  const saver = useSaver();
  const tell = (how: (typeof HOW)[number]) =>
    saver
      .run(async () => {
        await ask(
          api.POST("/api/episodes/{id}/week-uses", {
            params: { path: { id: episode } },
            body: { id: newId(), on: today, how },
          }),
        );
        setTold(how);
        onDone();
      })
      .catch(onError);
  return (
    <>
      <p className="num">
        {view.adherence_pct != null
          ? t("visit-adherence", {
              pct: Math.round(view.adherence_pct),
              known: Math.round(view.known_pct ?? 0),
              days: view.adherence_days,
            })
          : t("visit-unlogged", { days: view.adherence_days })}
      </p>
      <p className="row wrap">
        <span className="soft small">{t("week-told")}</span>
        {HOW.map((how) => (
          <Button
            key={how}
            size="small"
            id={`week-${how}`}
            type={told === how ? "primary" : "default"}
            disabled={saver.busy}
            onClick={() => void tell(how)}
          >
            {t(`week-${how}`)}
          </Button>
        ))}
        <SaveMark state={saver.state} />
      </p>
    </>
  );
}
