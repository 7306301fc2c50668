import { Choose } from "../../app/Choose";
import { Keypad } from "../../app/Keypad";
import { useMe } from "../../app/me";
import { Remark } from "../../app/Remark";
import { capital, nameOf, t } from "../../app/wording";
import { StopMark } from "../../pictures/Marks";
import { STOPS } from "./stops";
import { typeKey } from "./typeKey";
import { type Method, METHODS, type Room } from "./useRanges";

/** What is being typed, why it stopped, where pain began, and what it is measured with. */
export function Entry({ room }: { room: Room }) {
  const { dial, which, typed, arc, lift, asking, fault } = room;
  const running = lift?.state === "running";
  return (
    <div
      className={`notice row wrap${asking ? " decide" : ""}`}
      id="entry"
      aria-live="polite"
    >
      <span className="entry-name">
        <b>{dial ? capital(nameOf("quantity", dial.quantity)) : ""}</b>
        <br />
        <span className="soft small">
          {dial
            ? `${nameOf("position", dial.position)}, ${nameOf("side", dial[which].side)}`
            : ""}
        </span>
      </span>
      <span className={`num entry-number${fault ? " bad" : ""}`} id="typed">
        {running ? (
          <span className="soft">
            {t("measured-deg", { value: lift.angle ?? "…" })}
          </span>
        ) : (
          typed || "–"
        )}
        {typed && dial?.unit === "deg" ? "°" : ""}
      </span>
      <Keypad
        sign={(dial?.min ?? 0) < 0}
        onKey={(key) => void typeKey(key, room)}
      />
      <span className="stops" role="group" aria-label={t("ranges-why")}>
        {STOPS.map(([key, stop]) => (
          <button
            key={key}
            disabled={typed === "" || fault !== undefined}
            onClick={() => void room.keep(stop)}
          >
            <svg
              width="18"
              height="18"
              viewBox="-9 -9 18 18"
              aria-hidden="true"
            >
              <StopMark stop={stop} />
            </svg>
            {nameOf("stop", stop)} <kbd>{key}</kbd>
          </button>
        ))}
      </span>
      <span className="soft small" id="arc">
        {arc.length === 0 ? (
          <>
            <kbd>a</kbd> {t("ranges-arc")}
          </>
        ) : (
          t("ranges-arc-kept", { from: arc[0] ?? 0, to: arc[1] ?? "…" })
        )}
      </span>
      <Remark
        id="remark"
        className="w-190"
        small
        value={room.remark}
        onChange={room.setRemark}
      />
      {which === "operated" && dial?.told_at_home && (
        <Remark
          id="landmark"
          className="w-190"
          small
          label={t("ranges-landmark")}
          most={120}
          value={room.landmark}
          onChange={room.setLandmark}
        />
      )}
      <HowMeasured room={room} running={running} />
      {fault && (
        <span className="bad" role="alert" id="typed-fault">
          {fault}
        </span>
      )}
      {lift?.state === "held" && (
        <b className="tag-simulated" id="simulated">
          {t("simulated-never")}
        </b>
      )}
      {lift?.state === "lost" && (
        <span className="bad" role="alert" id="lost">
          {t("device-lost-lift")}
        </span>
      )}
      {lift?.faults?.map((f) => (
        <span key={f} className="bad">
          {f}
        </span>
      ))}
      {asking && <span>{t("ranges-say-why")}</span>}
    </div>
  );
}

/** The instrument of the hand, and in a demo the simulated one. */
function HowMeasured({ room, running }: { room: Room; running: boolean }) {
  const demo = useMe()?.demo ?? false;
  return (
    <span
      id="method"
      className="small row"
      role="group"
      aria-label={t("ranges-method")}
    >
      {demo && (
        <button
          className="plain"
          id="device"
          onClick={room.measure}
          disabled={running}
        >
          <kbd>d</kbd> {t(running ? "device-lifting" : "device-lift")}
        </button>
      )}
      <Choose
        size="small"
        className="w-128"
        aria-label={t("ranges-method")}
        value={room.method}
        onChange={(m) => room.setMethod(m as Method)}
        options={METHODS.map((m) => ({ value: m, label: nameOf("method", m) }))}
      />
    </span>
  );
}
