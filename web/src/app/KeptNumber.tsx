import { type ComponentProps } from "react";
import { useDraftKey, useDraftText } from "./drafts";
import { NumberField } from "./NumberField";

/** A number field whose text is kept too while it may not be saved: half a number comes back as it was left. */
export function KeptNumber({
  keep,
  ...props
}: Omit<ComponentProps<typeof NumberField>, "unfinished" | "onUnfinished"> & {
  keep: string;
}) {
  const draft = useDraftText(useDraftKey(`number-${keep}`));
  return (
    <NumberField {...props} unfinished={draft.value} onUnfinished={draft.set} />
  );
}
