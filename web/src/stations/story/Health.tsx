import Checkbox from "antd/es/checkbox";
import type { Schemas } from "../../app/client";
import { capital, nameOf, t } from "../../app/wording";

type Page = Schemas["StoryPage"];

const flip = (list: string[], item: string, on: boolean) =>
  on ? [...list, item] : list.filter((i) => i !== item);

/** General health that changes the plan, with what each changes. */
export function Health({
  page,
  chosen,
  onChange,
}: {
  page: Page;
  chosen: string[];
  onChange: (items: string[]) => void;
}) {
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
  return (
    <>
      <h3 className="flush above-18 below-6">{t("health-title")}</h3>
      <div className="ticks">
        {page.health.map((h) => (
          <Checkbox
            key={h.id}
            checked={chosen.includes(h.id)}
            onChange={(e) => onChange(flip(chosen, h.id, e.target.checked))}
          >
            {nameOf("health", h.id)}{" "}
            <span className="soft small">{changes(h)}</span>
          </Checkbox>
        ))}
      </div>
      <p className="soft small above-4">{t("health-longest")}</p>
    </>
  );
}

/** What is at hand at home. */
export function Kit({
  kit,
  chosen,
  onChange,
}: {
  kit: string[];
  chosen: string[];
  onChange: (items: string[]) => void;
}) {
  return (
    <>
      <h3 className="flush above-14 below-6">{t("kit-title")}</h3>
      <div className="ticks">
        {kit.map((k) => (
          <Checkbox
            key={k}
            checked={chosen.includes(k)}
            onChange={(e) => onChange(flip(chosen, k, e.target.checked))}
          >
            {capital(nameOf("kit", k))}
          </Checkbox>
        ))}
      </div>
    </>
  );
}
