import Button from "antd/es/button";
import Segmented from "antd/es/segmented";
import type { Schemas } from "../../app/client";
import { SaveMark } from "../../app/entries";
import { shortDate, t } from "../../app/wording";
import type { Draft } from "./draft";
import type { Acts } from "./useActs";
import Tooltip from "antd/es/tooltip";

export const ZOOMS = ["all", "ten", "week"] as const;
export type Zoom = (typeof ZOOMS)[number];

/** How the program is shown. */
export const ALL_AS = ["picture", "list", "week"] as const;
export type As = (typeof ALL_AS)[number];

/** What is signed, how much is shown, and what may be done: undo, build, save, sign. */
export function Head({
  page,
  draft,
  acts,
  blocked,
  zoom,
  onZoom,
  onWhatIf,
  onSchools,
  onVersions,
  as,
  onAs,
}: {
  onVersions: () => void;
  /** As a picture, as a list, or as the week at home. */
  as: As;
  onAs: (next: As) => void;
  page: Schemas["ProgramPage"];
  draft: Draft;
  acts: Acts;
  blocked: number;
  zoom: Zoom;
  onZoom: (zoom: Zoom) => void;
  onWhatIf: () => void;
  onSchools: () => void;
}) {
  const { lines } = draft;
  return (
    <div className="page-head stick">
      <h1>{t("program-title")}</h1>
      <span className="soft">
        {page.signed
          ? page.signed.current && !draft.draft
            ? t("signed-version", {
                version: page.signed.version,
                date: shortDate(page.signed.on),
              })
            : t("program-edited", { version: page.signed.version })
          : lines.length > 0
            ? t("program-unsigned")
            : t("program-none")}
      </span>
      <span className="right no-print">
        <SaveMark state={acts.state} />
        <Segmented
          id="program-as"
          aria-label={t("program-as")}
          value={as}
          options={ALL_AS.map((value) => ({
            value,
            label: t(`program-as-${value}`),
          }))}
          onChange={onAs}
        />
        {as === "picture" && (
          <Segmented
            id="zoom"
            aria-label={t("chart-zoom-group")}
            value={zoom}
            options={ZOOMS.map((value) => ({
              value,
              label: t(`zoom-${value}`),
            }))}
            onChange={onZoom}
          />
        )}
        <Tooltip title="Ctrl Z">
          <Button
            id="undo"
            disabled={draft.past.length === 0}
            onClick={() => void draft.undo()}
          >
            {t("undo")}
          </Button>
        </Tooltip>
        <Tooltip title="Ctrl Y">
          <Button
            id="redo"
            disabled={draft.future.length === 0}
            onClick={() => void draft.redo()}
          >
            {t("redo")}
          </Button>
        </Tooltip>
        <Button id="schools-open" onClick={onSchools}>
          {t("schools-open")}
        </Button>
        {page.signed && (
          <Button id="versions-open" onClick={onVersions}>
            {t("versions-open")}
          </Button>
        )}
        <Button id="what-if-open" onClick={onWhatIf}>
          {t("what-if")}
        </Button>
        <Button
          id="build"
          disabled={acts.busy}
          onClick={() => void acts.build()}
        >
          {lines.length > 0 ? t("program-rebuild") : t("program-build")}
        </Button>
        {draft.draft ? (
          <Button
            type="primary"
            id="save-program"
            disabled={blocked > 0 || acts.busy}
            onClick={() => void acts.save()}
          >
            {t("program-save")}
          </Button>
        ) : (
          <Button
            type="primary"
            id="sign-program"
            disabled={
              acts.busy || lines.length === 0 || (page.signed?.current ?? false)
            }
            onClick={() => void acts.sign()}
          >
            {t("program-sign")}
          </Button>
        )}
      </span>
    </div>
  );
}

/** One week after another, where a week is shown. */
export function Weeks({
  at,
  end,
  onWeek,
}: {
  at: number;
  end: number;
  onWeek: (week: number) => void;
}) {
  return (
    <p className="weeks no-print">
      <Button size="small" disabled={at <= 0} onClick={() => onWeek(at - 1)}>
        ←
      </Button>{" "}
      <b className="num">
        {t("zoom-week-of", { week: at, from: at * 7, to: at * 7 + 6 })}
      </b>{" "}
      <Button
        size="small"
        disabled={at * 7 + 7 >= end}
        onClick={() => onWeek(at + 1)}
      >
        →
      </Button>
    </p>
  );
}
