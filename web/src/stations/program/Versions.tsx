import Drawer from "antd/es/drawer";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, type Schemas } from "../../app/client";
import { doseInShort } from "../../app/dose";
import { Nothing } from "../../app/Nothing";
import { Pending } from "../../app/parts";
import { nameOf, shortDate, t } from "../../app/wording";
import { queryKeys } from "../../app/queryKeys";

const NOW = "now";

/** Days and dose of a stretch. */
function told({ from_day, to_day, dose }: Schemas["Stretch"]): string {
  const load =
    dose.load_kg != null
      ? `${dose.load_kg} kg`
      : dose.elastic_level != null
        ? t("level-n", { n: dose.elastic_level })
        : "";
  const days = t("day-range", {
    from: String(from_day),
    to: String(to_day - 1),
  });
  return [days, doseInShort(dose), `${dose.times_per_day}/${t("day")}`, load]
    .filter(Boolean)
    .join(", ");
}

/** Two versions side by side: what was added, left out, changed. */
export function Versions({
  episode,
  onClose,
}: {
  episode: string;
  onClose: () => void;
}) {
  const [before, setBefore] = useState<string>();
  const [after, setAfter] = useState(NOW);
  const [open, setOpen] = useState(true);
  const page = useQuery({
    queryKey: queryKeys.versions(episode, before, after),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/program/versions", {
          params: {
            path: { id: episode },
            query: {
              ...(before ? { before: Number(before) } : {}),
              ...(after === NOW ? {} : { after: Number(after) }),
            },
          },
        }),
      ),
    staleTime: 0,
  });
  const signed = (page.data?.versions ?? []).map((v) => ({
    value: String(v.version),
    label: t("version-of", {
      version: v.version,
      date: shortDate(v.on),
      person: v.by ?? "",
    }),
  }));
  return (
    <Drawer
      open={open}
      size={560}
      title={t("versions-title")}
      onClose={() => setOpen(false)}
      afterOpenChange={(shown) => {
        if (!shown) onClose();
      }}
    >
      {!page.data ? (
        <Pending query={page} />
      ) : page.data.versions.length === 0 ? (
        <Nothing says={t("versions-none")} />
      ) : (
        <div id="versions">
          <p className="row wrap">
            <Choose
              id="version-before"
              aria-label={t("versions-before")}
              value={before ?? String(page.data.before ?? "")}
              options={signed}
              onChange={setBefore}
            />
            <span>→</span>
            <Choose
              id="version-after"
              aria-label={t("versions-after")}
              value={after}
              options={[{ value: NOW, label: t("versions-now") }, ...signed]}
              onChange={setAfter}
            />
          </p>
          {page.data.changes.length === 0 && (
            <Nothing says={t("versions-same")} />
          )}
          <ul className="plainlist">
            {page.data.changes.map((c) => (
              <li key={c.exercise} data-became={c.became} className="below-10">
                <b>{nameOf("exercise", c.exercise)}</b>{" "}
                <span className="soft">
                  {t(`became-${c.became.replace("_", "-")}`)}
                </span>
                {c.before.map((s, i) => (
                  <span key={`b${i}`} className="drawn small num">
                    <del>{told(s)}</del>
                  </span>
                ))}
                {c.after.map((s, i) => (
                  <span key={`a${i}`} className="drawn small num">
                    {told(s)}
                  </span>
                ))}
              </li>
            ))}
          </ul>
        </div>
      )}
    </Drawer>
  );
}
