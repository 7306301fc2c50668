import { type ReactNode, useState } from "react";
import { newId, type Schemas } from "../../app/client";
import type { NewEntry } from "../../app/outbox";
import { Remark } from "../../app/Remark";
import { nameOf, shortDate, t } from "../../app/wording";
import { HomeWeek, type LogBody, type LogWord } from "./HomeWeek";
import type { Post } from "./post";
import { StopList } from "./StopList";
import { Week } from "./Week";
import { useKeptWords } from "../../app/useKept";

type Page = Schemas["VisitPage"];
const WORSE = ["stays_out", "new_direction", "numb", "more_often"] as const;

/** What was tapped for the chosen day, so that the page shows it at once. */
interface Tapped {
  slip: boolean;
  worse: string;
  flare: boolean;
}
const NOTHING: Tapped = { slip: false, worse: "", flare: false };

type Enter = (fact: LogBody, says: string) => Promise<boolean>;

/** A week at home, entered in the room: what was done, pain, slips. */
export function Log({
  episode,
  page,
  post,
  postAll,
  onAsked,
  onError,
  children,
}: {
  /** Where the week and what is said of one day stand on the page. */
  children: (grid: ReactNode, day: ReactNode) => ReactNode;
  episode: string;
  onAsked: () => void;
  onError: (e: unknown) => void;
  page: Page;
  post: Post;
  postAll: (entries: Omit<NewEntry, "episode">[]) => Promise<void>;
}) {
  const [on, setOn] = useState(page.today);
  const [tapped, setTapped] = useState<Tapped>(NOTHING);
  const {
    words: remark,
    say: setRemark,
    handedIn,
  } = useKeptWords("log-remark", on);
  const enter: Enter = (fact, says) =>
    post(
      {
        kind: "log",
        // Words go with the tap that follows them, and are screened like every text.
        body: { id: newId(), on, exercise: null, remark, ...fact },
        says: `${shortDate(on)}: ${says}`,
      },
      `log-${on}-${JSON.stringify(fact)}`,
    ).then((ok) => {
      if (ok) handedIn(on, remark);
      return ok;
    });
  const send = (words: LogWord[]) => {
    const said = remark;
    if (words.length === 0) return;
    void postAll(
      words.map(({ fact, says, ...word }, i) => ({
        kind: "log",
        body: { ...word, ...fact, remark: i === 0 ? said : "" },
        says: `${shortDate(word.on)}: ${says}`,
      })),
    ).then(() => handedIn(on, said));
  };
  const takeBack = (entries: string[], what: string) =>
    void postAll(
      entries.map((entry) => ({
        kind: "withdrawal",
        body: { entry, kind: "log", reason: t("tapped-by-mistake") },
        says: `${t("take-back")}: ${what}`,
      })),
    );
  const grid = (
    <section className="block" id="log">
      <h2>
        {t("log-title")} <span className="soft small">{t("log-lead")}</span>
      </h2>
      <div className="sheet log-sheet">
        <HomeWeek
          page={page}
          day={on}
          onDay={(day) => {
            setOn(day);
            setTapped(NOTHING);
          }}
          send={send}
          takeBack={takeBack}
        >
          <Week
            episode={episode}
            today={page.today}
            onDone={onAsked}
            onError={onError}
          />
        </HomeWeek>
      </div>
    </section>
  );
  const day = (
    <section className="block log-day" id="log-day">
      <h2>{t("week-on", { date: shortDate(on) })}</h2>
      <Remark
        id="log-remark"
        className="below-10"
        label={t("log-remark")}
        value={remark}
        onChange={setRemark}
      />
      <Felt
        episode={episode}
        flags={page.view.flags}
        onAsked={onAsked}
        onError={onError}
        tapped={tapped}
        tap={(part) => setTapped((now) => ({ ...now, ...part }))}
        enter={enter}
      />
    </section>
  );
  return children(grid, day);
}

/** A slip and how it was worse, a bad day. */
function Felt({
  episode,
  flags,
  tapped,
  tap,
  enter,
  onAsked,
  onError,
}: {
  episode: string;
  flags: Schemas["FlagView"][];
  onAsked: () => void;
  onError: (e: unknown) => void;
  tapped: Tapped;
  tap: (part: Partial<Tapped>) => void;
  enter: Enter;
}) {
  const [asking, setAsking] = useState(false);
  const say = (fact: LogBody, says: string, part: Partial<Tapped>) =>
    void enter(fact, says).then((ok) => ok && tap(part));
  return (
    <table className="log">
      <tbody>
        <tr>
          <td>{t("log-slip-ask")}</td>
          <td className="to-right">
            <button
              className="yn yes"
              id="log-slip"
              aria-pressed={tapped.slip}
              onClick={() =>
                say({ kind: "slip" }, t("log-slip"), { slip: true })
              }
            >
              {t("log-slip")}
            </button>
          </td>
        </tr>
        {tapped.slip && (
          <tr>
            <td>{t("log-slip-how")}</td>
            <td className="to-right">
              {WORSE.map((how) => (
                <button
                  key={how}
                  className="yn yes compact"
                  aria-pressed={tapped.worse === how}
                  onClick={() =>
                    say({ kind: "slip_worse", how }, nameOf("how", how), {
                      worse: how,
                    })
                  }
                >
                  {nameOf("how", how)}
                </button>
              ))}
            </td>
          </tr>
        )}
        <tr>
          <td>{t("log-flare-ask")}</td>
          <td className="to-right">
            <button
              className="yn"
              id="log-flare"
              aria-pressed={tapped.flare}
              aria-expanded={asking}
              onClick={() => setAsking(!asking)}
            >
              {t("log-flare")}
            </button>
          </td>
        </tr>
        {asking && !tapped.flare && (
          <tr>
            <td colSpan={2} id="flare-asks">
              <StopList
                episode={episode}
                id="flare-none"
                title={t("flare-stop-list")}
                button={t("flare-none")}
                flags={flags}
                onNone={() => {
                  setAsking(false);
                  say({ kind: "flare_day" }, t("log-flare"), { flare: true });
                }}
                onKept={onAsked}
                onError={onError}
              />
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
