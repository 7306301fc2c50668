import { capital, nameOf, sentence, t } from "../../app/wording";
import type { Schemas } from "../../app/client";
import { Dial } from "../../pictures/Dial";
import type { Room, Which } from "./useRanges";

/** Every movement as a dial; the one in hand is marked. */
export function Dials({ room }: { room: Room }) {
  return (
    <div className="dials">
      {room.dials.map((dial, i) => {
        const side = dial[room.which];
        const on = i === room.at;
        const now = side.barred
          ? t("barred")
          : (side.last?.measurement.value ?? t("not-measured"));
        return (
          <button
            key={dial.quantity}
            className={`dial${on ? " on" : ""}${side.barred ? " barred" : ""}`}
            data-quantity={dial.quantity}
            aria-current={on}
            disabled={!!side.barred}
            onClick={() => room.pick(i)}
          >
            <h3>{capital(nameOf("short", dial.quantity))}</h3>
            <Dial
              dial={dial}
              which={room.which}
              typed={on ? room.typed : undefined}
              onTurn={
                on
                  ? (value) => {
                      room.clearLift();
                      room.setTyped(String(value));
                    }
                  : undefined
              }
              label={`${nameOf("quantity", dial.quantity)}: ${now}`}
            />
            <div className="foot">
              <Foot dial={dial} which={room.which} />
            </div>
          </button>
        );
      })}
    </div>
  );
}

/** Why it is barred, what it calls for, or when it was measured and what holds today. */
function Foot({ dial, which }: { dial: Schemas["Dial"]; which: Which }) {
  const side = dial[which];
  const own = which === "operated";
  const call = own ? dial.calls[0] : undefined;
  if (side.barred) return <>{sentence(side.barred)}</>;
  if (call) return <span className="bad">{sentence(call)}</span>;
  const last = side.last;
  const rest = own
    ? dial.spare
      ? sentence(dial.spare)
      : dial.ceiling.ceiling.kind === "free"
        ? ""
        : sentence(dial.ceiling.reason)
    : "";
  return (
    <>
      {last
        ? `${t("day-n", { day: last.day })}, ${nameOf("stop", last.measurement.stop)}${own && dial.due ? `, ${t("due-again")}` : ""}`
        : t("not-measured")}
      {last?.simulated && (
        <b className="tag-simulated"> {t("simulated-never")}</b>
      )}
      {rest && (
        <span>
          <br />
          {rest}
        </span>
      )}
    </>
  );
}
