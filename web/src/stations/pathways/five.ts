/** A number of a pathway's file that clinics change: a week, a floor, a ceiling, minutes, pain allowed. */
export interface Five {
  kind: "phase" | "corridor" | "pain";
  /** Phase, quantity or row of pain, by id. */
  owner: string;
  /** Which row of its corridor, from nought. */
  row: number;
  key: string;
  value: number;
  /** Where its digits stand in the text. */
  from: number;
  to: number;
}

/** What may be changed, by the block it stands in. */
const KEYS = {
  phase: ["earliest_week", "expected_end_week", "max_minutes"],
  corridor: ["opens_week", "end_of_week", "floor", "ceiling"],
  pain: ["max"],
} as const;
type Kind = keyof typeof KEYS;

/** A stretch of the text with its place. */
interface Block {
  kind: Kind;
  text: string;
  from: number;
}

/** Blocks of phases and corridors, and each row of pain. Rows are blocks of their own or stand between braces. */
function blocks(text: string): Block[] {
  const out: Block[] = [];
  const heads = [...text.matchAll(/^\[\[([\w.]+)\]\][^\n]*$/gm)];
  const top = heads.filter((h) => !(h[1] ?? "").includes("."));
  top.forEach((head, i) => {
    const kind = head[1];
    if (kind !== "phase" && kind !== "corridor" && kind !== "pain") return;
    const to = top[i + 1]?.index ?? text.length;
    out.push({ kind, text: text.slice(head.index, to), from: head.index });
  });
  const inline = /^pain\s*=\s*\[([\s\S]*?)^\]/m.exec(text);
  for (const row of (inline?.[1] ?? "").matchAll(/\{[^}]*\}/g))
    out.push({
      kind: "pain",
      text: row[0],
      from: text.indexOf(row[0], inline?.index),
    });
  return out;
}

/** All numbers that the form shows, in the order of the file. */
export function fives(text: string): Five[] {
  return blocks(text).flatMap((block) => {
    const owner = /(?:^|[{,\s])id\s*=\s*"([^"]*)"/.exec(block.text)?.[1] ?? "";
    const keys = KEYS[block.kind].join("|");
    const found: Five[] = [];
    // A row ends with its brace or its own head.
    let row = -1;
    const marks = new RegExp(
      `\\{|^\\[\\[\\w+\\.\\w+\\]\\]|(?<![\\w-])(${keys})(\\s*=\\s*)(-?\\d+(?:\\.\\d+)?)`,
      "gm",
    );
    for (const m of block.text.matchAll(marks)) {
      if (m[1] === undefined) {
        row++;
        continue;
      }
      const from = block.from + m.index + m[1].length + (m[2] ?? "").length;
      const digits = m[3] ?? "";
      found.push({
        kind: block.kind,
        owner,
        row: Math.max(row, 0),
        key: m[1],
        value: Number(digits),
        from,
        to: from + digits.length,
      });
    }
    return found;
  });
}

/** The text with one number changed; what was a decimal stays one, since the file tells them apart. */
export function withFive(text: string, five: Five, value: number): string {
  const was = text.slice(five.from, five.to);
  const digits = String(value);
  const written =
    was.includes(".") && !digits.includes(".") ? `${digits}.0` : digits;
  return text.slice(0, five.from) + written + text.slice(five.to);
}
