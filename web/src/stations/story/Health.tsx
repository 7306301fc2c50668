import Checkbox from "antd/es/checkbox";
import type { Schemas } from "../../app/client";
import { capital, nameOf, t } from "../../app/wording";

type Page = Schemas["StoryPage"];

const flip = (list: string[], item: string, on: boolean) =>
  on ? [...list, item] : list.filter((i) => i !== item);

const changes = (h: Page["health"][number]) =>
  [
    ...(h.strength_delay_weeks > 0
      ? [t("health-delay", { weeks: h.strength_delay_weeks })]
      : []),
    ...(h.max_age_days != null
      ? [t("health-ranges", { days: h.max_age_days })]
      : []),
    ...(h.locked_arm ? [t("health-locked-arm")] : []),
    ...(h.starts_low ? [t("health-starts-low")] : []),
    ...(h.quick_caution ? [t("health-quick-caution")] : []),
  ].join(", ");

/** General health that changes the plan, with what each changes; and what the body cannot get into, said once. */
export function Health({
  page,
  chosen,
  onChange,
}: {
  page: Page;
  chosen: string[];
  onChange: (items: string[]) => void;
}) {
  const row = (h: Page["health"][number]) => (
    <Checkbox
      key={h.id}
      id={`health-${h.id}`}
      checked={chosen.includes(h.id)}
      onChange={(e) => onChange(flip(chosen, h.id, e.target.checked))}
    >
      {nameOf("health", h.id)} <span className="soft small">{changes(h)}</span>
    </Checkbox>
  );
  return (
    <>
      <div className="ticks">
        {page.health.filter((h) => !h.keeps_from).map(row)}
      </div>
      <p className="soft small above-4">{t("health-longest")}</p>
      <h3 className="size-15 flush above-10 below-6">
        {t("cannot-title")}{" "}
        <span className="soft small">{t("cannot-lead")}</span>
      </h3>
      <div className="ticks" id="cannot">
        {page.health.filter((h) => h.keeps_from).map(row)}
      </div>
    </>
  );
}

/** A list of ids of which some are so. */
export function Some({
  kind,
  all,
  chosen,
  beside,
  onChange,
}: {
  kind: string;
  all: readonly string[];
  chosen: string[];
  /** What is said beside one of them. */
  beside?: (id: string) => string | undefined;
  onChange: (items: string[]) => void;
}) {
  return (
    <div className="ticks">
      {all.map((k) => (
        <Checkbox
          key={k}
          checked={chosen.includes(k)}
          onChange={(e) => onChange(flip(chosen, k, e.target.checked))}
        >
          {capital(nameOf(kind, k))}
          {beside?.(k) && <span className="soft small"> {beside(k)}</span>}
        </Checkbox>
      ))}
    </div>
  );
}
