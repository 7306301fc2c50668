import { Keypad } from "../../app/Keypad";
import { typeKey } from "./typeKey";
import type { Schemas } from "../../app/client";
import { useMe } from "../../app/me";
import { NumberField } from "../../app/NumberField";
import { Remark } from "../../app/Remark";
import { attr, nameOf, sentence, t } from "../../app/wording";
import { Trace } from "../../pictures/Trace";
import { n } from "./words";
import type { Pushes } from "./usePushes";
import { Notice } from "../../app/Notice";
import Tooltip from "antd/es/tooltip";

type View = Schemas["StrengthView"];

/** One position: the number, how far the pad lies, pain, the trace, and what was pushed so far. */
export function Push({
  room,
  test,
  today,
}: {
  room: Pushes;
  test: View;
  today: string;
}) {
  const mine = room.other ? test.other : test.affected;
  const shown = mine?.on === today ? mine : undefined;
  return (
    <section className="sheet" id="push" data-test={test.test}>
      <p className="soft small flush">
        {nameOf("position", test.position)} ·{" "}
        <b className="strong-ink">{nameOf("side", room.side)}</b>{" "}
        <button className="plain" onClick={room.turn}>
          <kbd>o</kbd> {t("other-side-key")}
        </button>
      </p>
      <h2 className="size-23">{nameOf("strength", test.test)}</h2>
      <p className="soft">{attr(`strength-${test.test}`, "pad")}</p>
      {room.barred.length > 0 ? (
        <Notice kind="stop">
          <b>{t("examine-barred")}</b>
          <ul>
            {room.barred.map((r) => (
              <li key={sentence(r)}>{sentence(r)}</li>
            ))}
          </ul>
          <p className="small">{t("strength-gentle")}</p>
        </Notice>
      ) : (
        <Enter room={room} test={test} aim={shown?.mean_n} />
      )}
      <Trials room={room} test={test} set={shown ?? mine} today={today} />
      {shown?.minds.map((m) => (
        <p key={sentence(m)} className="small soft">
          {sentence(m)}
        </p>
      ))}
      {room.kept.length > 0 && (
        <p className="flush">
          <button className="plain" onClick={() => void room.undo()}>
            <kbd>u</kbd> {t("undo")}
          </button>
        </p>
      )}
    </section>
  );
}

/** Typing a force, or listening to the simulated device of a demo. */
function Enter({
  room,
  test,
  aim,
}: {
  room: Pushes;
  test: View;
  aim: number | null | undefined;
}) {
  const demo = useMe()?.demo ?? false;
  const { typed, fault, live, pain } = room;
  return (
    <>
      <div className="pushrow">
        <button
          className={`answer number${fault ? " faulty" : ""}`}
          onClick={room.keepTyped}
        >
          <span className="num" id="typed">
            {typed === "" ? "–" : typed}
          </span>{" "}
          <span className="soft">N</span> <kbd>Enter</kbd>
        </button>
        {demo && (
          <button
            className="answer"
            id="device"
            disabled={live?.state === "running"}
            onClick={room.listen}
          >
            <kbd>d</kbd> {t("device-push")}
          </button>
        )}
        {test.lever_m != null && (
          <NumberField
            key={test.test}
            id="lever"
            label={t("lever")}
            rule={{ min: 5, max: 120, decimals: 1, unit: "cm" }}
            value={room.leverCm}
            onValue={room.setLever}
          />
        )}
      </div>
      {fault && (
        <p className="bad" role="alert" id="typed-fault">
          {fault}
        </p>
      )}
      <Keypad onKey={(key) => void typeKey(key, room)} />
      <div className="pains" role="group" aria-label={t("push-pain")}>
        <span className="soft small">{t("push-pain")}</span>
        {Array.from({ length: 11 }, (_, i) => (
          <button
            key={i}
            aria-pressed={pain === i}
            onClick={() => room.setPain(pain === i ? undefined : i)}
          >
            {i}
          </button>
        ))}
      </div>
      <Remark
        id="push-remark"
        className="w-440 above-6 below-10"
        value={room.remark}
        onChange={room.setRemark}
      />
      {live && (
        <Trace
          samples={live.samples}
          measurement={live.measurement}
          aim={aim ?? undefined}
          width={560}
          height={210}
          label={t("trace-label")}
        />
      )}
      {live?.state === "lost" && (
        <Notice role="alert" id="lost" kind="stop">
          {t("device-lost")}
        </Notice>
      )}
      {live?.measurement && (
        <p className="num" id="measured">
          <b>{n(live.measurement.peak_n)} N</b>{" "}
          {t("trace-read", {
            mean: n(live.measurement.mean_n),
            seconds: n(live.measurement.time_to_peak_s, 1),
            percent: n(live.measurement.variation_pct, 1),
          })}{" "}
          <b className="tag-simulated">{t("simulated-never")}</b>
        </p>
      )}
      {live?.measurement?.faults.map((f) => (
        <p key={sentence(f)} className="bad">
          <b>{sentence(f)}</b> {t("trace-not-used")}
        </p>
      ))}
    </>
  );
}

/** The pushes of the day; what a stand-in invented stands apart. */
function Trials({
  room,
  test,
  set,
  today,
}: {
  room: Pushes;
  test: View;
  set: Schemas["StrengthSet"] | null | undefined;
  today: string;
}) {
  const invented = (test.simulated ?? []).filter(
    (x) => x.side === room.side && x.on === today,
  );
  return (
    <div className="trials">
      {(set?.trials ?? []).map((x, i) => (
        <span key={x.id} className={x.sound ? "" : "unsound"}>
          {i + 1}: <b className="num">{n(x.peak_n)} N</b>
          {x.pain != null ? ` ${t("with-pain", { pain: x.pain })}` : ""}
          {x.remark ? <span className="soft"> {x.remark}</span> : null}
        </span>
      ))}
      {invented.map((x) => (
        <span
          key={x.id}
          className={x.sound ? "simulated-push" : "simulated-push unsound"}
        >
          <b className="num">{n(x.peak_n)} N</b>{" "}
          <Tooltip title={t("trace-again")}>
            <button
              className="plain small"
              aria-label={t("trace-again")}
              onClick={() => void room.again(x.id)}
            >
              <b className="tag-simulated">{t("simulated-never")}</b>
            </button>
          </Tooltip>
        </span>
      ))}
    </div>
  );
}
