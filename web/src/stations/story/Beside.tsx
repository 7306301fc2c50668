import Form from "antd/es/form";
import Input from "antd/es/input";
import type { Schemas } from "../../app/client";
import { Screened } from "../../app/Screened";
import { t } from "../../app/wording";

/** Words beside a part of the story: what has no field of its own, looked at while it is typed. */
export function Beside({
  name,
  story,
}: {
  name: "flag_words" | "complaint_words" | "health_words";
  story: Schemas["Story"];
}) {
  const label = t(`beside-${name.replace("_words", "")}`);
  return (
    <div className="beside">
      <Form.Item name={name}>
        <Input aria-label={label} placeholder={label} maxLength={500} />
      </Form.Item>
      <Screened text={story[name] ?? ""} />
    </div>
  );
}
