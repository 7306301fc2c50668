import { Field } from "../../app/Field";
import Checkbox from "antd/es/checkbox";
import { Choose } from "../../app/Choose";
import Button from "antd/es/button";
import { Link } from "react-router";
import { NumberField } from "../../app/NumberField";
import type { Rule } from "../../app/numbers";
import { sentence, t } from "../../app/wording";
import type { Load } from "./useBench";
import { type Card, type Setup, setupText } from "./words";

const NUMBERS: Record<
  "mass_kg" | "height_m" | "weight_kg" | "distance_m",
  [label: string, rule: string | Rule]
> = {
  mass_kg: ["bench-mass", "mass_kg"],
  height_m: ["bench-height", { min: 0.4, max: 2.5, decimals: 2, unit: "m" }],
  weight_kg: ["bench-weight", "load_kg"],
  distance_m: ["bench-distance", "distance_m"],
};

/** A number of the set-up: what may be kept is computed at once. */
function SetUpNumber({
  load,
  name,
}: {
  load: Load;
  name: keyof typeof NUMBERS;
}) {
  const [label, rule] = NUMBERS[name];
  const now = load.shown[name];
  return (
    <NumberField
      id={`bench-${name}`}
      label={t(label)}
      rule={rule}
      value={now == null ? null : Math.round(now * 100) / 100}
      onValue={(v) => {
        if (v != null) load.change({ [name]: v });
      }}
    />
  );
}

/** What goes along to the program. */
function carried(shown: Setup): string {
  const said = { kg: shown.weight_kg, level: shown.level };
  return new URLSearchParams(
    Object.entries(said)
      .filter(([, v]) => v != null)
      .map(([k, v]) => [k, String(v)]),
  ).toString();
}

/** Weight, elastic, distance, body; a step harder or easier; and the way back from a wanted peak. */
export function SetUp({ load, card }: { load: Load; card: Card }) {
  const { shown } = load;
  const elastic = card.load.kind === "elastic";
  const weight = card.load.kind === "weight" || card.load.kind === "gravity";
  return (
    <>
      <div className="setup">
        {weight && <SetUpNumber load={load} name="weight_kg" />}
        {elastic && (
          <Field label={t("bench-elastic")} name="level">
            <Choose
              id="bench-level"
              className="w-128"
              aria-label={t("bench-elastic")}
              value={String(shown.level ?? 1)}
              onChange={(l) => load.change({ level: Number(l) })}
              options={[1, 2, 3, 4, 5, 6].map((l) => ({
                value: String(l),
                label: t("bench-level", { level: l }),
              }))}
            />
          </Field>
        )}
        {elastic && <SetUpNumber load={load} name="distance_m" />}
        {elastic && (
          <Checkbox
            className="tall"
            checked={shown.doubled ?? false}
            onChange={(e) => load.change({ doubled: e.target.checked })}
          >
            {t("bench-double")}
          </Checkbox>
        )}
        <SetUpNumber load={load} name="mass_kg" />
        <SetUpNumber load={load} name="height_m" />
      </div>
      <Steps load={load} card={card} />
      {(elastic || weight) && <Solve load={load} elastic={elastic} />}
    </>
  );
}

function Steps({ load, card }: { load: Load; card: Card }) {
  const { id, episode, answer, held, shown } = load;
  const view = answer?.view;
  return (
    <div className="setup">
      {view?.harder && (
        <Button
          id="harder"
          onClick={() => view.harder && load.take(view.harder)}
        >
          {t("bench-harder")}{" "}
          <span className="soft num">{setupText(view.harder)}</span>
        </Button>
      )}
      {view?.easier && (
        <Button
          id="easier"
          onClick={() => view.easier && load.take(view.easier)}
        >
          {t("bench-easier")}{" "}
          <span className="soft num">{setupText(view.easier)}</span>
        </Button>
      )}
      <Button id="hold" onClick={load.hold}>
        {t(held ? "bench-let-go" : "bench-hold")}
      </Button>
      {episode && card.load.kind !== "isometric" && (
        <Link
          className="chip plainchip"

          to={`/e/${episode}/program?add=${id}&${carried(shown)}`}
        >
          {t("bench-to-program")}
        </Link>
      )}
    </div>
  );
}

function Solve({ load, elastic }: { load: Load; elastic: boolean }) {
  const { answer } = load;
  return (
    <div className="setup">
      <NumberField
        id="wanted"
        label={t("bench-wanted")}
        rule={{ min: 0.1, max: 400, decimals: 1, unit: "N·m" }}
        value={load.wanted}
        onValue={load.setWanted}
      />
      {(elastic ? (["distance", "level"] as const) : (["weight"] as const)).map(
        (what) => (
          <Button
            key={what}
            id={`solve-${what}`}
            disabled={load.wanted == null}
            onClick={() => load.solve(what)}
          >
            {t(`bench-solve-${what}`)}
          </Button>
        ),
      )}
      {answer?.unsolved && (
        <span className="bad" id="unsolved">
          {sentence(answer.unsolved)}
        </span>
      )}
    </div>
  );
}
