import { useState } from "react";
import { layKeys, leftHand } from "./hand";
import { t } from "./words";

/** Which hand holds the telephone: the keys lie where its thumb is. */
export function Hand() {
  const [left, setLeft] = useState(leftHand);
  return (
    <button
      className="plain"
      id="hand"
      onClick={() => {
        layKeys(!left);
        setLeft(!left);
      }}
    >
      {t(left ? "phone-right-hand" : "phone-left-hand")}
    </button>
  );
}
