import Button from "antd/es/button";
import { useState } from "react";
import { t } from "./wording";

/** Puts a text where it can be pasted from. Where the way is not encrypted no browser lets a page do so: it says so. */
export function CopyKey({
  text,
  size = "middle",
}: {
  text: string;
  size?: "small" | "middle";
}) {
  const [said, setSaid] = useState("copy");
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      setSaid("copied");
    } catch {
      setSaid("copy-by-hand");
    }
  };
  return (
    <Button size={size} onClick={() => void copy()}>
      <span role="status">{t(said)}</span>
    </Button>
  );
}
