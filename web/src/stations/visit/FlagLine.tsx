import Button from "antd/es/button";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { nameOf, t } from "../../app/wording";

/** Red flags at every visit: the list is in view, and one key says that none of it is there. An open flag is not touched by it. */
export function FlagLine({
  episode,
  missing,
  flags,
  onDone,
  onError,
}: {
  episode: string;
  missing: string[];
  flags: Schemas["FlagView"][];
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const [asked, setAsked] = useState(false);
  const saver = useSaver();
  const calm = flags.filter(
    (f) => f.asked && ["no", "not_asked", "answered"].includes(f.state),
  );
  const none = async () => {
    try {
      const answers = calm.map((f) => ({
        id: newId(),
        flag: f.flag,
        answer: "no" as const,
      }));
      await saver.run(async () => {
        await ask(
          api.POST("/api/episodes/{id}/flags", {
            params: { path: { id: episode } },
            body: { answers },
          }),
        );
        setAsked(true);
        onDone();
      });
    } catch (e) {
      onError(e);
    }
  };
  return (
    <div className="small flag-line">
      <p className="flush">
        <b>
          {missing.length > 0
            ? t("flags-missing", { count: missing.length })
            : t("visit-flags-line")}
        </b>
      </p>
      <ul className="flag-list">
        {calm.map((f) => (
          <li key={f.flag}>{nameOf("flag", f.flag)}</li>
        ))}
      </ul>
      <p className="row flush">
        <Button
          size="small"
          id="flags-none"
          onClick={() => void none()}
          disabled={asked || saver.busy}
        >
          {asked ? t("visit-flags-done") : t("visit-flags-none")}
        </Button>
        <SaveMark state={saver.state} />
        <Link to={`/e/${episode}/story`}>{t("visit-flags-some")}</Link>
      </p>
    </div>
  );
}
