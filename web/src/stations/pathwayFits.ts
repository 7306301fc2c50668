/** Whether a pathway goes with how it began. */
export function fits(clock: string, start: string): boolean {
  return clock === "operation"
    ? start === "surgery"
    : clock === "none"
      ? start !== "surgery"
      : start === "injury";
}

/** What the day that everything is counted from is called, by how it began. */
export function day0Name(start: string | undefined): string {
  if (start === "surgery") return "day0";
  return start === "injury" ? "day0-injury" : "day0-first";
}
