import { ink } from "../../app/theme";
import { t } from "../../app/wording";
import type { Frame, View } from "./frame";
import { Label } from "./Label";

/** Height of the row; nothing where no sling is worn in the days shown. */
export function slingHeight(view: View, { from }: Frame): number {
  return view.sling && from < view.sling.nights_until ? 20 : 0;
}

/** Day and night as a bar, nights as hatching. */
export function Sling({
  view,
  frame: { id, from, x, shows },
  y,
}: {
  view: View;
  frame: Frame;
  y: number;
}) {
  const s = view.sling;
  if (!s || from >= s.nights_until) return null;
  return (
    <>
      <Label text={t("chart-sling")} y={y + 12} />
      {shows(0, s.day_and_night_until) && (
        <rect
          x={x(0)}
          y={y + 2}
          width={x(s.day_and_night_until) - x(0)}
          height={12}
          fill={ink.text}
        />
      )}
      {shows(s.day_and_night_until, s.nights_until) && (
        <rect
          x={x(s.day_and_night_until)}
          y={y + 2}
          width={x(s.nights_until) - x(s.day_and_night_until)}
          height={12}
          fill={`url(#nights-${id})`}
          stroke={ink.text}
        />
      )}
      <text x={x(s.nights_until) + 6} y={y + 12} fontSize="12" fill={ink.soft}>
        {t("chart-nights")}
      </text>
    </>
  );
}
