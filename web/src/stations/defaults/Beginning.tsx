import Form from "antd/es/form";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import type { ReactNode } from "react";
import type { Schemas } from "../../app/client";
import { capital, nameOf, t } from "../../app/wording";
import { LENGTHS } from "../visit/dayTimes";
import { Opening } from "./Opening";

type Set = Schemas["ClinicDefaults"];
/** What patients read of the clinic, and how long it may be. */
const CARD = [
  { name: "clinic_name", letters: 80 },
  { name: "telephone", letters: 40 },
  { name: "hours", letters: 120 },
] as const;
const SETTINGS = ["primary", "specialist"] as const;

/** What the clinic is called and when it is reached, where patients are seen, how long things may take. */
export function Beginning({
  set,
  lead,
  minutes,
  onChange,
}: {
  set: Set;
  lead: boolean;
  /** The field of minutes a day. */
  minutes: ReactNode;
  onChange: (part: Partial<Set>) => void;
}) {
  return (
    <Form component={false} layout="vertical">
      <div className="sheet form defaults-form">
        {CARD.map(({ name, letters }) => (
          <Form.Item
            key={name}
            label={t(`defaults-${name.replace("_", "-")}`)}
            htmlFor={`default-${name}`}
          >
            <Input
              id={`default-${name}`}
              disabled={!lead}
              maxLength={letters}
              value={set[name] ?? ""}
              onChange={(e) => onChange({ [name]: e.target.value })}
            />
          </Form.Item>
        ))}
        <Form.Item label={t("story-setting")}>
          <Segmented
            id="default-setting"
            disabled={!lead}
            value={set.setting}
            options={SETTINGS.map((value) => ({
              value,
              label: capital(nameOf("setting", value)),
            }))}
            onChange={(setting) => onChange({ setting })}
          />
        </Form.Item>
        <Form.Item label={t("defaults-appointment-minutes")}>
          <Segmented
            id="default-length"
            disabled={!lead}
            value={set.appointment_minutes}
            options={LENGTHS.map((value) => ({
              value: value as number,
              label: t("appointment-length", { minutes: value }),
            }))}
            onChange={(appointment_minutes) =>
              onChange({ appointment_minutes })
            }
          />
        </Form.Item>
        {minutes}
        <Opening
          opening={set.opening ?? []}
          lead={lead}
          onChange={(opening) => onChange({ opening })}
        />
      </div>
    </Form>
  );
}
