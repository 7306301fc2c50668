import Form from "antd/es/form";
import Segmented from "antd/es/segmented";
import type { ReactNode } from "react";
import type { Schemas } from "../../app/client";
import { capital, nameOf, t } from "../../app/wording";
import { LENGTHS } from "../visit/dayTimes";

type Set = Schemas["ClinicDefaults"];
const SETTINGS = ["primary", "specialist"] as const;

/** Where patients are seen, how long a program and an appointment may take. */
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
      </div>
    </Form>
  );
}
