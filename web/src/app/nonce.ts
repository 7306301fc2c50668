/** Styles that the controls make while the page runs are let in by what came with the answer. */
export const nonce = document.querySelector("script")?.nonce ?? "";

/**
 * The library makes a few styles without it: the lock of the page under a dialog, the measure of a scroll bar. They are
 * made by our own scripts like all others, so they get it where styles are made.
 */
export function giveNonce() {
  const make = document.createElement.bind(document);
  document.createElement = ((tag: string, options?: ElementCreationOptions) => {
    const made = make(tag, options);
    if (tag === "style") made.nonce = nonce;
    return made;
  }) as typeof document.createElement;
}
