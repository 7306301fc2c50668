/** Whether a pathway goes with how it began. */
export function fits(clock: string, start: string): boolean {
  return clock === "operation"
    ? start === "surgery"
    : clock === "none"
      ? start !== "surgery"
      : start === "injury";
}
