import { ink } from "../../app/theme";

/** The name of a row, at the left. */
export function Label({
  text,
  y,
  strong = false,
}: {
  text: string;
  y: number;
  strong?: boolean;
}) {
  return (
    <text
      x={12}
      y={y}
      fontSize={strong ? 14 : 13.5}
      fontWeight={strong ? 650 : 400}
      fill={strong ? ink.text : ink.soft}
    >
      {text}
    </text>
  );
}
