import "../app/stationWords";
import "../../../locales/en/stations/examine.ftl?learn";
import "../../../locales/en/stations/strength.ftl?learn";
import { SaveMark } from "../app/entries";
import { useShortcuts } from "../app/keys";
import { useMe } from "../app/me";
import { useReady } from "../app/useReady";
import { Pending, ProblemNote } from "../app/parts";
import { clock, t } from "../app/wording";
import { ExamineTabs } from "./examine/Tabs";
import { Push } from "./strength/Push";
import { typeKey } from "./strength/typeKey";
import { Table } from "./strength/Table";
import { usePushes } from "./strength/usePushes";

const KEYS = ["force", "other", "undo", "move"] as const;

/** Three pushes a side, typed or measured; mean, steadiness, moment, symmetry. */
export function Strength({
  episode,
  today,
}: {
  episode: string;
  today: string;
}) {
  const room = usePushes(episode, today);
  const demo = useMe()?.demo ?? false;
  useShortcuts((e) => {
    if (typeKey(e.key, room)) return true;
    if (e.key === "Enter" && room.typed !== "") room.keepTyped();
    else if (e.key === "d" && demo) room.listen();
    else if (e.key === "o") room.turn();
    else if (e.key === "u") void room.undo();
    else if (e.key === "ArrowDown") room.move(1);
    else if (e.key === "ArrowUp") room.move(-1);
    else return false;
    return true;
  }, KEYS);
  const { data } = room.room;
  const ready = useReady(data !== undefined);
  if (!data || !room.test || !ready) return <Pending query={room.room} />;
  return (
    <div id="strength">
      <div className="page-head">
        <h1>{t("strength-title")}</h1>
        <span className="soft num">{clock(data.clock)}</span>
        <SaveMark state={room.state} />
        <ExamineTabs episode={episode} at="strength" />
      </div>
      <ProblemNote error={room.error} />
      <div className="push">
        <Push room={room} test={room.test} today={today} />
        <Table room={room} data={data} />
      </div>
    </div>
  );
}
