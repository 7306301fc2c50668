import { useState } from "react";
import type { Schemas } from "../../app/client";
import { t } from "../../app/wording";
import { StopList } from "./StopList";

/** Red flags at every visit. */
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
  return (
    <StopList
      episode={episode}
      id="flags-none"
      title={
        missing.length > 0
          ? t("flags-missing", { count: missing.length })
          : t("visit-flags-line")
      }
      button={t(asked ? "visit-flags-done" : "visit-flags-none")}
      asked={asked}
      flags={flags}
      onKept={() => {
        setAsked(true);
        onDone();
      }}
      onError={onError}
    />
  );
}
