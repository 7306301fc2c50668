import Button from "antd/es/button";
import type { Schemas } from "../../app/client";
import { nameOf, t } from "../../app/wording";
import { opposite } from "../examine/words";
import { n } from "./words";
import type { Pushes } from "./usePushes";

type Set = Schemas["StrengthSet"];
/** Width of the bar of symmetry at 120 %. */
const BAR = 84;
const PER_PCT = 0.7;

/** All positions of both sides, their symmetry, and the ratios. */
export function Table({
  room,
  data,
}: {
  room: Pushes;
  data: Schemas["StrengthRoom"];
}) {
  const { page } = data;
  return (
    <section>
      <table className="criteria strengths">
        <thead>
          <tr>
            <th>{t("position-and-move")}</th>
            <th>{nameOf("side", room.affected)}</th>
            <th>{nameOf("side", opposite(room.affected))}</th>
            <th>{t("symmetry")}</th>
          </tr>
        </thead>
        <tbody>
          {room.tests.map((x, i) => (
            <tr
              key={x.test}
              className={i === room.at ? "on" : ""}
              data-test={x.test}
            >
              <td>
                <button className="plain" onClick={() => room.pick(i)}>
                  {nameOf("strength", x.test)}
                </button>
                {x.barred.length > 0 && (
                  <span className="soft small">
                    <br />
                    {t("barred")}
                  </span>
                )}
              </td>
              <Cell set={x.affected} />
              <Cell set={x.other} />
              <td className="num">
                <Symmetry
                  percent={x.symmetry_pct}
                  goal={page.symmetry_goal_pct}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="num above-12" id="ratios">
        {t("er-ir-side")} <b>{n(page.er_ir_side[0], 2)}</b>{" "}
        <span className="soft">
          ({t("other-short")} {n(page.er_ir_side[1], 2)})
        </span>
        , {t("er-ir-90")} <b>{n(page.er_ir_90[0], 2)}</b>{" "}
        <span className="soft">
          ({t("other-short")} {n(page.er_ir_90[1], 2)})
        </span>
      </p>
      <p className="soft small">
        {t("strength-norms", { goal: page.symmetry_goal_pct })}{" "}
        {data.mass_kg == null ? t("strength-no-mass") : ""}
      </p>
      <Button size="small" onClick={() => room.move(1)}>
        {t("next-position")} <kbd>↓</kbd>
      </Button>
    </section>
  );
}

function Symmetry({
  percent,
  goal,
}: {
  percent: number | null | undefined;
  goal: number;
}) {
  if (percent == null) return <span className="soft">–</span>;
  return (
    <>
      <b>{n(percent)} %</b>
      <svg width={BAR} height="9" aria-hidden="true" className="drawn">
        <rect width={BAR} height="9" fill="var(--sunk)" />
        <rect
          width={Math.min(BAR, percent * PER_PCT)}
          height="9"
          fill={percent >= goal ? "var(--moss)" : "var(--saffron)"}
        />
        <path
          d={`M${goal * PER_PCT} 0V9`}
          stroke="var(--text)"
          strokeWidth="1.5"
        />
      </svg>
    </>
  );
}

function Cell({ set }: { set: Set | null | undefined }) {
  if (!set?.mean_n) return <td className="soft">–</td>;
  return (
    <td className="num">
      <b>{n(set.mean_n)} N</b>
      {set.variation_pct != null ? (
        <span className="soft small"> ± {n(set.variation_pct)} %</span>
      ) : (
        <span className="soft small">
          {" "}
          {t("of-three", { count: set.trials.filter((x) => x.sound).length })}
        </span>
      )}
      <br />
      <span className="soft small">
        {set.moment_nm != null ? `${n(set.moment_nm, 1)} N·m` : ""}
        {set.per_mass_n_kg != null ? `, ${n(set.per_mass_n_kg, 2)} N/kg` : ""}
      </span>
    </td>
  );
}
