import { useState } from "react";

/** The rooms that were looked into, this one among them: only these are drawn, and stay as they were left. */
export function useSeen(room: string): string[] {
  const [seen, setSeen] = useState([room]);
  if (seen.includes(room)) return seen;
  const more = [...seen, room];
  setSeen(more);
  return more;
}
