import Button from "antd/es/button";
import { useState } from "react";
import { api, ask, newId } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { t } from "../../app/wording";

const HOW = ["all", "half", "hardly"] as const;

/** A week at home in one tap: told as a whole, for adherence only. */
export function Week({
  episode,
  today,
  onDone,
  onError,
}: {
  episode: string;
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
    <p className="row wrap flush" id="week-told">
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
  );
}
