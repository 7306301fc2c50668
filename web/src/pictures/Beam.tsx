import type { Schemas } from "../app/client";
import { ink } from "../app/theme";
import { capital, nameOf, t } from "../app/wording";

type View = Schemas["HypothesisView"];

const EDGE = 0.01;
const TICKS = [0.02, 0.1, 0.25, 0.5, 0.75, 0.9, 0.98];
const logit = (p: number) => Math.log(p / (1 - p));
const clamp = (p: number) => Math.min(1 - EDGE, Math.max(EDGE, p));

/** Place of a probability on a log-odds scale of the given width. */
export function place(p: number, width: number): number {
  return (width * (logit(clamp(p)) - logit(EDGE))) / (2 * logit(1 - EDGE));
}
const fromLog = (x: number) => 1 / (1 + Math.exp(-x));
export const percent = (p: number) =>
  `${p >= 0.995 ? "> 99" : p < 0.005 ? "< 1" : Math.round(p * 100)} %`;

/** The shape of a word: never colour alone. */
export function WordMark({
  word,
  x = 0,
  y = 0,
  r = 8,
}: {
  word: View["word"];
  x?: number;
  y?: number;
  r?: number;
}) {
  const at = `translate(${x} ${y})`;
  if (word === "likely")
    return (
      <path
        transform={at}
        d={`M0 ${-r}L${r} 0L0 ${r}L${-r} 0Z`}
        fill={ink.petrol}
        stroke={ink.text}
        strokeWidth="1.2"
      />
    );
  if (word === "unlikely")
    return (
      <rect
        transform={at}
        x={-r * 0.8}
        y={-r * 0.36}
        width={r * 1.6}
        height={r * 0.72}
        fill={ink.soft}
      />
    );
  if (word === "shown")
    return (
      <path
        transform={at}
        d={`M${-r} ${-r * 0.8}H${r}V${r * 0.8}H${-r}Z`}
        fill={ink.text}
      />
    );
  if (word === "excluded")
    return (
      <path
        transform={at}
        d={`M${-r * 0.7} ${-r * 0.7}L${r * 0.7} ${r * 0.7}M${r * 0.7} ${-r * 0.7}L${-r * 0.7} ${r * 0.7}`}
        stroke={ink.text}
        strokeWidth="2.6"
      />
    );
  return <circle transform={at} r={r * 0.78} fill={ink.petrol} />;
}

/** The scale above a column of beams. */
export function BeamScale({ width }: { width: number }) {
  return (
    <svg
      width={width}
      height="20"
      viewBox={`0 0 ${width} 20`}
      aria-hidden="true"
      className="drawn spill"
    >
      {TICKS.map((p) => (
        <text
          key={p}
          x={place(p, width)}
          y="14"
          fontSize="11.5"
          textAnchor="middle"
          fill={ink.soft}
        >
          {Math.round(p * 100)}
        </text>
      ))}
    </svg>
  );
}

/** One hypothesis on the log-odds scale: hollow before, solid after, whiskers for the interval. */
export function Beam({
  view,
  width,
  label,
}: {
  view: View;
  width: number;
  label: string;
}) {
  const at = (p: number) => place(p, width);
  const moved = view.steps.length > 0;
  const y = 15;
  return (
    <svg
      width={width}
      height="30"
      viewBox={`0 0 ${width} 30`}
      role="img"
      aria-label={label}
      className="drawn spill"
    >
      <rect x="0" y="5" width={at(0.1)} height="20" fill="var(--sunk)" />
      <rect
        x={at(0.85)}
        y="5"
        width={width - at(0.85)}
        height="20"
        fill={ink.petrolPale}
      />
      <path d={`M0 ${y}H${width}`} stroke={ink.line} strokeWidth="1.5" />
      {TICKS.map((p) => (
        <path key={p} d={`M${at(p)} ${y - 3}V${y + 3}`} stroke="var(--edge)" />
      ))}
      {moved && (
        <path
          d={`M${at(view.pre.probability)} ${y}H${at(view.probability)}`}
          stroke={ink.petrol}
          strokeWidth="2"
          strokeDasharray="2 3"
        />
      )}
      {moved && (
        <path
          d={`M${at(view.low)} ${y}H${at(view.high)}M${at(view.low)} ${y - 6}V${y + 6}M${at(view.high)} ${y - 6}V${y + 6}`}
          stroke={ink.text}
          strokeWidth="1.8"
        />
      )}
      <circle
        cx={at(view.pre.probability)}
        cy={y}
        r="5.4"
        fill={ink.paper}
        stroke={ink.text}
        strokeWidth="1.8"
      />
      {moved && <WordMark word={view.word} x={at(view.probability)} y={y} />}
    </svg>
  );
}

/** One step as a bar from where the one before ended, with its direction. */
function StepBar({
  from,
  to,
  width,
}: {
  from: number;
  to: number;
  width: number;
}) {
  const up = to >= from;
  return (
    <svg
      width={width}
      height="26"
      viewBox={`0 0 ${width} 26`}
      aria-hidden="true"
      className="spill"
    >
      <path d={`M${from} 0V26`} stroke={ink.line} />
      <rect
        x={Math.min(from, to)}
        y="7"
        width={Math.max(1.5, Math.abs(to - from))}
        height="12"
        fill={up ? ink.petrol : "var(--edge)"}
      />
      <path
        d={up ? `M${to} 3l6 10l-6 10z` : `M${to} 3l-6 10l6 10z`}
        fill={up ? ink.petrol : "var(--mid)"}
      />
    </svg>
  );
}

/** The steps that moved one hypothesis, each group as a bar from where the one before ended. */
export function BeamSteps({ view, width }: { view: View; width: number }) {
  let log = logit(view.pre.probability);
  return (
    <div className="steps">
      <div className="step">
        <span>
          {t("read-before")}
          {view.pre.own != null ? `, ${t("read-own")}` : ""}
        </span>
        <svg
          width={width}
          height="22"
          viewBox={`0 0 ${width} 22`}
          aria-hidden="true"
          className="spill"
        >
          <circle
            cx={place(view.pre.probability, width)}
            cy="11"
            r="5"
            fill={ink.paper}
            stroke={ink.text}
            strokeWidth="1.8"
          />
        </svg>
        <b className="num">{percent(view.pre.probability)}</b>
      </div>
      {view.steps.map((s) => {
        const from = place(fromLog(log), width);
        log += s.log_ratio;
        const to = place(fromLog(log), width);
        return (
          <div className="step" key={s.group}>
            <span>
              {capital(nameOf("group", s.group))}
              <br />
              <span className="soft small">
                {s.tests
                  .map(
                    (x) =>
                      `${nameOf("test", x.test)} ${x.positive ? "+" : "−"}`,
                  )
                  .join(", ")}
              </span>
            </span>
            <StepBar from={from} to={to} width={width} />
            <b className="num">
              {t("read-times", {
                ratio: Number(Math.exp(s.log_ratio).toPrecision(2)),
              })}
            </b>
          </div>
        );
      })}
      {view.cluster && (
        <div className="step">
          <span>
            {t("read-cluster", {
              positive: view.cluster.positive,
              of: view.cluster.of,
            })}
            <br />
            <span className="soft small">
              {t("read-cluster-source", {
                source: view.cluster.source,
                published: view.cluster.ratio,
                model: Number(view.cluster.model_ratio.toPrecision(2)),
              })}
            </span>
          </span>
          <StepBar
            from={place(fromLog(log), width)}
            to={place(view.probability, width)}
            width={width}
          />
          <b className="num">
            {t("read-times", {
              ratio: Number(Math.exp(view.cluster.log_move).toPrecision(2)),
            })}
          </b>
        </div>
      )}
      <div className="step last">
        <span>{t("read-after")}</span>
        <span className="soft small">
          {t("read-interval", {
            low: percent(view.low),
            high: percent(view.high),
          })}
        </span>
        <b className="num">{percent(view.probability)}</b>
      </div>
    </div>
  );
}
