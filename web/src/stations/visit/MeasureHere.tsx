import { useState } from "react";
import { newId, type Schemas } from "../../app/client";
import { NumberField } from "../../app/NumberField";
import type { Typed } from "../../app/numbers";
import { capital, nameOf, t } from "../../app/wording";
import { StopMark } from "../../pictures/Marks";
import { STOPS } from "../ranges/stops";
import { lastMethod } from "../ranges/useRanges";
import type { Post } from "./post";

/** A range measured without leaving the visit: the number, then why it stopped. */
export function MeasureHere({
  dial,
  today,
  post,
  onDone,
}: {
  dial: Schemas["Dial"];
  today: string;
  post: Post;
  onDone: () => void;
}) {
  const [value, setValue] = useState<Typed>(null);
  const [id] = useState(newId);
  const { quantity } = dial;
  const { side } = dial.operated;
  const degrees = dial.unit === "deg";
  const keep = async (stop: Schemas["StopReason"]) => {
    if (value == null) return;
    const measurement: Schemas["Measurement"] = {
      id,
      quantity,
      side,
      value,
      stop,
      by: "clinician",
      on: today,
      arc: null,
      method: degrees ? lastMethod() : null,
      remark: "",
    };
    const what = `${capital(nameOf("quantity", quantity))}, ${nameOf("side", side)}`;
    const says = `${what}: ${value}${degrees ? "°" : ""}, ${nameOf("stop", stop)}`;
    if (await post({ kind: "measurement", body: measurement, says }, id))
      onDone();
  };
  return (
    <div className="measure-here">
      <NumberField
        bare
        id={`measure-${quantity}`}
        label={capital(nameOf("quantity", quantity))}
        rule={{
          min: dial.min,
          max: dial.max,
          decimals: 1,
          unit: degrees ? "°" : undefined,
        }}
        value={value}
        onValue={setValue}
      />
      <span className="stops" role="group" aria-label={t("ranges-why")}>
        {STOPS.map(([, stop]) => (
          <button
            key={stop}
            data-stop={stop}
            disabled={value == null}
            onClick={() => void keep(stop)}
          >
            <svg
              width="16"
              height="16"
              viewBox="-9 -9 18 18"
              aria-hidden="true"
            >
              <StopMark stop={stop} />
            </svg>
            {nameOf("stop", stop)}
          </button>
        ))}
      </span>
    </div>
  );
}
