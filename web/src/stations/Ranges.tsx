import "../app/stationWords";
import "../../../locales/en/stations/examine.ftl?learn";
import "../../../locales/en/stations/ranges.ftl?learn";
import Button from "antd/es/button";
import { SaveMark } from "../app/entries";
import { useShortcuts } from "../app/keys";
import { useMe } from "../app/me";
import { Pending, ProblemNote } from "../app/parts";
import { clock, t } from "../app/wording";
import { ExamineTabs } from "./examine/Tabs";
import { opposite } from "./examine/words";
import { Dials } from "./ranges/Dials";
import { Entry } from "./ranges/Entry";
import { typeKey } from "./ranges/typeKey";
import { type Room, useRanges } from "./ranges/useRanges";
import { useReady } from "../app/useReady";

const KEYS = ["angle", "stop", "other", "undo", "move-range"] as const;

/** Ranges: digits onto dials, then one key for why it stopped. */
export function Ranges({ episode, today }: { episode: string; today: string }) {
  const room = useRanges(episode, today);
  const demo = useMe()?.demo ?? false;
  useShortcuts((e) => typeKey(e.key, room) || moveKey(e.key, room, demo), KEYS);
  const { page, which, kept } = room;
  const ready = useReady(page.data !== undefined);
  if (!page.data || !ready) return <Pending query={page} />;
  const own = page.data.side;
  return (
    <>
      <div className="page-head">
        <h1>{t("ranges-title")}</h1>
        <span className="num soft">{clock(page.data.clock)}</span>
        <SaveMark state={room.state} />
        <ExamineTabs episode={episode} at="ranges" />
        <span role="group" aria-label={t("ranges-side")}>
          {(["operated", "other"] as const).map((w) => (
            <button
              key={w}
              className="chip plainchip"
              aria-pressed={which === w}
              onClick={() => which !== w && room.turn()}
            >
              {t(`ranges-${w}`, {
                side: w === "operated" ? own : opposite(own),
              })}
            </button>
          ))}
          <kbd>o</kbd>
        </span>
      </div>
      <ProblemNote error={room.error} />
      <Entry room={room} />
      <Dials room={room} />
      <section className="block above-18">
        <h2>
          {t("ranges-kept")}{" "}
          {kept.length > 0 && (
            <Button size="small" onClick={() => void room.undo()}>
              {t("undo")} <kbd>u</kbd>
            </Button>
          )}
        </h2>
        <ol id="kept" className="indented">
          {kept.map((k) => (
            <li key={k.id}>{k.text}</li>
          ))}
        </ol>
        {kept.length === 0 && <p className="soft">{t("ranges-how")}</p>}
      </section>
    </>
  );
}

/** Keys that move, change side, take back, or listen to the simulated device of a demo. */
function moveKey(key: string, room: Room, demo: boolean): boolean {
  if (key === "ArrowRight" || key === "ArrowDown") room.move(1);
  else if (key === "ArrowLeft" || key === "ArrowUp") room.move(-1);
  else if (key === "o") room.turn();
  else if (key === "u") void room.undo();
  else if (key === "d" && demo) room.measure();
  else return false;
  return true;
}
