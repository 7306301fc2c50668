import Collapse from "antd/es/collapse";
import Form from "antd/es/form";
import Segmented from "antd/es/segmented";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import type { Faulty } from "../../app/faulty";
import { KeptNumber } from "../../app/KeptNumber";
import { useDefaults } from "../../app/useDefaults";
import { capital, LANGUAGES, nameOf, t } from "../../app/wording";
import type { FormPart } from "./Course";
import { Some } from "./Health";

const BODY = [
  ["mass_kg", "mass-kg", "mass"],
  ["height_cm", "height-cm", "height"],
] as const;
const SETTINGS = ["primary", "specialist"] as const;

/** A title and what holds now, in one line. */
export function Folded({
  fold,
  title,
  says,
}: {
  fold: string;
  title: string;
  says: string;
}) {
  return (
    <span className="folded" data-fold={fold}>
      <b>{title}</b> <span className="soft">{says}</span>
    </span>
  );
}

const listed = (kind: string, ids: readonly string[]) =>
  ids.length === 0
    ? t("folded-none")
    : ids.map((id) => nameOf(kind, id)).join(", ");

/** What refines the plan and has a sensible default: folded, each with what holds now in one line. */
export function Rest({
  page,
  story,
  set,
  faulty,
  fault,
}: FormPart & {
  faulty: Faulty;
  fault: (field: string) => string | undefined;
}) {
  const modifiers = story.modifiers ?? [];
  const lent = useDefaults()?.lent ?? [];
  // What goes with another pathway is offered once this one is saved.
  const saved = story.pathway === page.story.pathway;
  const mass = story.mass_kg == null ? t("not-asked") : `${story.mass_kg} kg`;
  const height =
    story.height_cm == null ? t("not-asked") : `${story.height_cm} cm`;
  const number = (
    field: "mass_kg" | "height_cm" | "minutes_per_day",
    id: string,
    label: string,
  ) => (
    <KeptNumber
      key={field}
      keep={field}
      id={id}
      label={t(label)}
      rule={field}
      value={story[field] ?? null}
      onValue={faulty.take(field, (v) => set({ [field]: v }))}
      fault={fault(field)}
    />
  );
  const parts: [string, string, string, ReactNode][] = [];
  if (saved && page.modifiers.length > 0)
    parts.push([
      "modifiers",
      t("modifiers-title"),
      listed("modifier", modifiers),
      <Some
        kind="modifier"
        all={page.modifiers}
        chosen={modifiers}
        onChange={(m) => set({ modifiers: m })}
      />,
    ]);
  parts.push(
    [
      "time",
      t("folded-time"),
      story.minutes_per_day == null
        ? t("folded-time-open")
        : t("folded-minutes", { n: story.minutes_per_day }),
      <div className="form">
        {number("minutes_per_day", "minutes-per-day", "minutes-per-day")}
      </div>,
    ],
    [
      "kit",
      t("kit-title"),
      listed("kit", story.kit),
      <Some
        kind="kit"
        all={page.kit}
        chosen={story.kit}
        beside={(k) => (lent.includes(k) ? t("kit-lent") : undefined)}
        onChange={(kit) => set({ kit })}
      />,
    ],
    [
      "body",
      t("folded-body"),
      `${mass}, ${height}`,
      <div className="form">
        {BODY.map(([field, id, label]) => number(field, id, label))}
      </div>,
    ],
    [
      "setting",
      t("story-setting"),
      nameOf("setting", story.setting ?? "primary"),
      <Form.Item name="setting">
        <Segmented
          options={SETTINGS.map((value) => ({
            value,
            label: capital(nameOf("setting", value)),
          }))}
        />
      </Form.Item>,
    ],
  );
  parts.push([
    "reads",
    t("reads-title"),
    nameOf("language", story.reads ?? "english"),
    <Form.Item name="reads">
      <Segmented
        options={LANGUAGES.map((value) => ({
          value,
          label: nameOf("language", value),
        }))}
      />
    </Form.Item>,
  ]);
  const [open, setOpen] = useState<string[]>([]);
  // A number that holds everything up is shown where it stands.
  const shown = faulty.held ? [...open, "time", "body"] : open;
  if (saved && page.questions.length > 0) {
    const chosen = Object.keys(story.schools ?? {}).length;
    parts.push([
      "schools",
      t("schools-title"),
      chosen === 0
        ? t("folded-schools-default", { n: page.questions.length })
        : t("folded-schools", { chosen, n: page.questions.length - chosen }),
      <Link to={`../program?schools`}>{t("folded-schools-go")}</Link>,
    ]);
  }
  return (
    <Collapse
      ghost
      className="rest"
      activeKey={shown}
      onChange={setOpen}
      items={parts.map(([key, title, says, children]) => ({
        key,
        label: <Folded fold={key} title={title} says={says} />,
        children,
        forceRender: true,
      }))}
    />
  );
}
