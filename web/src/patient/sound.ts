/** Whether this telephone sounds and buzzes while it counts; said once, kept on it. */
const QUIET = "ritorno-home-quiet";

export const isQuiet = () => localStorage.getItem(QUIET) === "yes";
export const beQuiet = (quiet: boolean) =>
  localStorage.setItem(QUIET, quiet ? "yes" : "no");

let audio: AudioContext | undefined;

/** A short tone and a buzz where there is one: higher and longer at the end. Telephones sound only after a tap. */
export function sound(last: boolean) {
  if (isQuiet()) return;
  navigator.vibrate?.(last ? 400 : 80);
  try {
    audio ??= new AudioContext();
    const tone = audio.createOscillator();
    const loud = audio.createGain();
    const now = audio.currentTime;
    tone.frequency.value = last ? 880 : 523;
    loud.gain.setValueAtTime(0.15, now);
    loud.gain.exponentialRampToValueAtTime(0.001, now + (last ? 0.5 : 0.15));
    tone.connect(loud).connect(audio.destination);
    tone.start(now);
    tone.stop(now + (last ? 0.5 : 0.15));
  } catch {
    // A browser without sound counts in silence.
  }
}
