import Button from "antd/es/button";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { t } from "../../app/wording";

/** Red flags in one line: asked again at every visit. */
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
  const none = async () => {
    try {
      const calm = flags.filter(
        (f) =>
          f.asked &&
          (f.state === "no" || f.state === "not_asked" || f.state === "closed"),
      );
      const answers = calm.map((f) => ({
        flag: f.flag,
        answer: "no" as const,
        confirmed: false,
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
    <p className="small">
      {missing.length > 0
        ? t("flags-missing", { count: missing.length })
        : t("visit-flags-line")}
      {flags.some((f) => f.flag === "blade-bone-pain")
        ? ` ${t("visit-flags-blade")}`
        : ""}{" "}
      <Button
        size="small"
        id="flags-none"
        onClick={() => void none()}
        disabled={asked || saver.busy}
      >
        {asked ? t("visit-flags-done") : t("visit-flags-none")}
      </Button>{" "}
      <SaveMark state={saver.state} />
      <Link to={`/e/${episode}/story`}>{t("visit-flags-some")}</Link>
    </p>
  );
}
