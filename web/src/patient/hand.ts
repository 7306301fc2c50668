/** For which hand the keys lie; kept on this telephone. */
const HAND = "ritorno-home-hand";

export const leftHand = () => localStorage.getItem(HAND) === "left";

/** Lays the keys for a hand, from now on. */
export function layKeys(left: boolean) {
  localStorage.setItem(HAND, left ? "left" : "right");
  document.body.dataset["hand"] = left ? "left" : "right";
}
