import Button from "antd/es/button";
import { LeftBefore } from "../../app/LeftBefore";
import { nameOf, t } from "../../app/wording";
import type { Room } from "./useSheet";
import { type Answer, byOneKey, number, type View } from "./words";

const countGiven = (answers: Answer[]) =>
  answers.filter((a) => a !== undefined && a !== null).length;

/** The ticks of one sheet: item by item, then kept whole. */
export function Ticks({ room, view }: { room: Room; view: View }) {
  const { part, typed, answers, cells, cell, kept, put } = room;
  const given = countGiven(answers);
  return (
    <>
      <LeftBefore
        kept={{ ...room.half, take: room.goOn }}
        says={(left) =>
          t("scores-answered", { given: countGiven(left), items: cells.length })
        }
      />
      <p className="soft small flush above-14 below-6">
        {t("scores-sheet")}{" "}
        <span>
          {t(part && !byOneKey(part) ? "scores-how-number" : "scores-how")}
        </span>
      </p>
      <Parts room={room} view={view} />
      {room.fault && (
        <p className="bad" role="alert" id="typed-fault">
          {room.fault}
        </p>
      )}
      <div
        className="pains"
        role="group"
        aria-label={t("scores-item", { n: cell + 1 })}
      >
        {part &&
          byOneKey(part) &&
          Array.from(
            { length: part.max - part.min + 1 },
            (_, i) => part.min + i,
          ).map((value) => (
            <button key={value} onClick={() => put(value)}>
              {value}
            </button>
          ))}
        {part && !byOneKey(part) && (
          <button
            id="put-typed"
            className="w-96"
            disabled={typed === "" || room.fault !== undefined}
            onClick={() => room.putTyped()}
          >
            {typed === "" ? "–" : typed} <kbd>Enter</kbd>
          </button>
        )}
        {part && (
          <button onClick={() => put(null)}>
            × <kbd>.</kbd>
          </button>
        )}
      </div>
      <p className="row flush above-12">
        <Button
          type="primary"
          disabled={given === 0}
          onClick={() => void room.keep()}
        >
          {t("scores-keep")} <kbd>Enter</kbd>
        </Button>
        <span className="num soft">
          {t("scores-answered", { given, items: cells.length })}
        </span>
        {answers.length > 0 && (
          <button className="plain" onClick={room.clear}>
            {t("scores-clear")}
          </button>
        )}
        {kept.length > 0 && (
          <button className="plain" onClick={() => void room.undo()}>
            <kbd>u</kbd> {t("undo")}
          </button>
        )}
      </p>
    </>
  );
}

/** The items of each part, with how many may be left out. */
function Parts({ room, view }: { room: Room; view: View }) {
  const { answers, cell, typed, setCell, setTyped } = room;
  let place = 0;
  return (
    <>
      {view.instrument.parts.map((p, i) => {
        const from = place;
        place += p.items;
        return (
          <div className="score-part" key={p.id}>
            <span className="name">
              {nameOf("part", p.id)}{" "}
              <span className="soft small">
                {number(p.min)}–{number(p.max)}
                {p.unit ? ` ${nameOf("unit", p.unit)}` : ""}
                {view.instrument.parts.length > 1 || i === 0
                  ? `, ${t("scores-may-miss", { n: p.may_miss ?? 0 })}`
                  : ""}
              </span>
            </span>
            <span className="cells">
              {Array.from({ length: p.items }, (_, k) => from + k).map((at) => {
                const answer = answers[at];
                return (
                  <button
                    key={at}
                    className={`tick-cell${answer === null ? " out" : ""}`}
                    aria-current={at === cell}
                    aria-label={t("scores-item", { n: at + 1 })}
                    onClick={() => {
                      setCell(at);
                      setTyped("");
                    }}
                  >
                    {at === cell && typed !== ""
                      ? typed
                      : answer === null
                        ? "×"
                        : (answer ?? <span className="no">{at + 1}</span>)}
                  </button>
                );
              })}
            </span>
          </div>
        );
      })}
    </>
  );
}
