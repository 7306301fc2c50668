import type { Pushes } from "./usePushes";

/** Keys that make the number. */
export function typeKey(key: string, room: Pushes): boolean {
  if (/^[0-9.,]$/.test(key))
    room.setTyped((now) => (now.length < 7 ? now + key : now));
  else if (key === "Backspace") room.setTyped((now) => now.slice(0, -1));
  else return false;
  return true;
}
