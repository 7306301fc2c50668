let pen: CanvasRenderingContext2D | null | undefined;

/** How wide a text is drawn, in pixels. */
export function wide(text: string, size: number, weight = 400): number {
  pen ??= document.createElement("canvas").getContext("2d");
  if (!pen) return text.length * size * 0.55;
  pen.font = `${weight} ${size}px ${getComputedStyle(document.body).fontFamily}`;
  return pen.measureText(text).width;
}

/**
 * As many whole words of a text as fit into a room, with a sign that there is more; nothing where not even
 * two fit. A word that
 * is cut in half reads as another word, and one word alone ("Lying") as every other.
 */
export function fit(
  text: string,
  room: number,
  size: number,
  weight = 400,
): string {
  if (wide(text, size, weight) <= room) return text;
  const words = text.split(" ");
  for (let n = words.length - 1; n > 1; n--) {
    const less = `${words
      .slice(0, n)
      .join(" ")
      .replace(/[,;·]$/, "")} …`;
    if (wide(less, size, weight) <= room) return less;
  }
  return "";
}
