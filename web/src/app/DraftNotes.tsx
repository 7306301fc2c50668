import Button from "antd/es/button";
import Popconfirm from "antd/es/popconfirm";
import type { ReactNode } from "react";
import type { Drafted } from "./drafts";
import type { Clash } from "./merge";
import { steady } from "./steady";
import { capital, moment, t } from "./wording";
import { Notice } from "./Notice";

/** Nothing is shown of a field that says nothing. */
function inWords(value: unknown): string {
  if (value === null || value === undefined || value === "")
    return t("draft-nothing");
  if (typeof value === "object") return JSON.stringify(value);
  return String(value as string | number | boolean);
}

/** What else is kept of the same form, shown beside it; and fields that somebody else changed meanwhile. */
export function DraftNotes<T>({
  draft,
  says,
  field = (name) => name,
  fieldSays = (_, value) => inWords(value),
}: {
  draft: Drafted<T>;
  /** What another window holds, in words. */
  says: (value: T) => ReactNode;
  /** The name of a field, and what its value says. */
  field?: (name: string) => string;
  fieldSays?: (name: string, value: unknown) => string;
}) {
  return (
    <>
      {draft.others.map((o) => (
        <Notice
          role="status"
          key={o.key}
          kind="decide"
          className="other-draft"
          data={{ open: o.open }}
        >
          <b>
            {t(o.open ? "draft-other-window" : "draft-left-behind", {
              when: moment(o.since),
            })}
          </b>
          <div className="other-words">{says(o.value)}</div>
          <p className="row wrap flush above-6">
            <Button onClick={() => void draft.take(o)}>
              {t("draft-take")}
            </Button>
            <Discard
              ask={t("draft-drop-ask")}
              onYes={() => void draft.dropOther(o)}
            >
              {t("draft-drop")}
            </Discard>
          </p>
        </Notice>
      ))}
      {draft.clashes.map((c) => (
        <BothChanged
          key={c.field}
          clash={c}
          name={field(c.field)}
          mine={fieldSays(
            c.field,
            (draft.value as Record<string, unknown>)[c.field],
          )}
          theirs={fieldSays(c.field, c.theirs)}
          onSettle={draft.settle}
        />
      ))}
    </>
  );
}

function BothChanged({
  clash,
  name,
  mine,
  theirs,
  onSettle,
}: {
  clash: Clash;
  name: string;
  mine: string;
  theirs: string;
  onSettle: (clash: Clash, theirs: boolean) => void;
}) {
  return (
    <Notice
      role="alert"
      kind="decide"
      className="clash"
      data={{ field: clash.field }}
    >
      <b>{t("clash-title", { name })}</b>
      <p className="flush">
        {t("clash-mine")}: {mine}
        <br />
        {t("clash-theirs")}: {theirs}
      </p>
      <p className="row wrap flush above-6">
        <Button onClick={() => onSettle(clash, false)}>
          {t("clash-keep-mine")}
        </Button>
        <Button onClick={() => onSettle(clash, true)}>
          {t("clash-take-theirs")}
        </Button>
      </p>
    </Notice>
  );
}

/** What was typed and not handed in: that it is kept, since when, and the way to be rid of it. */
export function DraftMark({
  draft,
}: {
  draft: { dirty: boolean; since?: string | undefined; discard: () => void };
}) {
  if (!draft.dirty) return null;
  return (
    <span className="draft-mark soft small">
      {t("draft-kept", { when: moment(draft.since ?? "") })}{" "}
      <Discard ask={t("draft-discard-ask")} onYes={draft.discard}>
        {capital(t("draft-discard"))}
      </Discard>
    </span>
  );
}

/** Asks once: what is thrown away does not come back. */
export function Discard({
  ask,
  onYes,
  children,
}: {
  ask: string;
  onYes: () => void;
  children: string;
}) {
  return <DiscardKey ask={ask} says={children} onChange={onYes} />;
}

const DiscardKey = steady(function DiscardNow({
  ask,
  says,
  onChange,
}: {
  ask: string;
  says: string;
  onChange?: () => void;
}) {
  return (
    <Popconfirm
      title={ask}
      okText={t("draft-discard")}
      cancelText={t("draft-stay")}
      onConfirm={() => onChange?.()}
    >
      <Button type="text" size="small" className="discard">
        {says}
      </Button>
    </Popconfirm>
  );
});
