import { STOPS } from "./stops";
import type { Room } from "./useRanges";

/** Keys that make the number and say why it stopped. */
export function typeKey(key: string, room: Room): boolean {
  const { typed, setTyped } = room;
  const stop = STOPS.find(([letter]) => letter === key);
  if (/^[0-9.,]$/.test(key)) {
    // A number typed over a simulated one is a measurement of its own.
    if (room.lift) {
      room.clearLift();
      setTyped(key);
    } else setTyped((now) => (now.length < 6 ? now + key : now));
  } else if (key === "-")
    setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
  else if (key === "Backspace") {
    room.clearLift();
    setTyped((now) => now.slice(0, -1));
  } else if (key === "a" && typed !== "") room.markPain();
  else if (key === "Escape") room.empty();
  else if (key === "Enter" && typed !== "") room.setAsking(true);
  else if (stop && typed !== "") void room.keep(stop[1]);
  else return false;
  return true;
}
