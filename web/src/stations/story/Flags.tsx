import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { ProblemNote } from "../../app/parts";
import { attr, nameOf, sentence, shortDate, t } from "../../app/wording";

type Page = Schemas["StoryPage"];

/** Red flags first: asked, raised, acted on. */
export function Flags({
  episode,
  page,
  keep,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
}) {
  const [error, setError] = useState<unknown>();
  const [done, setDone] = useState<Record<string, string>>({});
  const saver = useSaver();
  const path = { params: { path: { id: episode } } };
  const answer = async (answers: Schemas["FlagReply"][]) => {
    setError(undefined);
    try {
      await saver.inTurn(async () =>
        keep(
          await ask(
            api.POST("/api/episodes/{id}/flags", {
              ...path,
              body: { answers },
            }),
          ),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  const act = async (flag: string, closed: boolean) => {
    setError(undefined);
    try {
      await saver.inTurn(async () => {
        keep(
          await ask(
            api.POST("/api/episodes/{id}/flag-actions", {
              ...path,
              body: { flag, action: done[flag] ?? "", closed },
            }),
          ),
        );
        setDone((now) => ({ ...now, [flag]: "" }));
      });
    } catch (e) {
      setError(e);
    }
  };
  const open = page.flags.filter(
    (f) => f.state === "raised" || f.state === "queried",
  );
  const missing = page.flags.filter((f) => f.state === "not_asked");
  return (
    <section className="block" id="flags">
      <h2>
        {t("flags-title")}{" "}
        <span className="soft small">
          {missing.length > 0
            ? t("flags-missing", { count: missing.length })
            : t("flags-all-asked")}
        </span>
        <SaveMark state={saver.state} />
      </h2>
      <ProblemNote error={error} />
      {open.map((f) => (
        <div className="notice stop" key={f.flag} role="alert">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}
          </b>
          {f.reason && <p>{sentence(f.reason)}</p>}
          {f.state === "queried" ? (
            <p>
              <Button
                size="small"
                onClick={() =>
                  void answer([{ flag: f.flag, answer: "no", confirmed: true }])
                }
              >
                {t("flag-still-no")}
              </Button>{" "}
              <Button
                size="small"
                danger
                onClick={() =>
                  void answer([
                    { flag: f.flag, answer: "yes", confirmed: true },
                  ])
                }
              >
                {t("flag-yes-after-all")}
              </Button>
            </p>
          ) : (
            <>
              <p>
                {attr(`flag-${f.flag}`, "act")} {t("flag-paused")}
              </p>
              {f.last_action && (
                <p className="small">
                  {t("flag-last-action", { date: shortDate(f.last_action.on) })}{" "}
                  {f.last_action.action}
                </p>
              )}
              <div className="row w-760">
                <Input
                  id={`act-${f.flag}`}
                  aria-label={t("flag-what-done")}
                  placeholder={t("flag-what-done")}
                  value={done[f.flag] ?? ""}
                  onChange={(e) =>
                    setDone({ ...done, [f.flag]: e.target.value })
                  }
                />
                <Button onClick={() => void act(f.flag, false)}>
                  {t("flag-record")}
                </Button>
                <Button
                  type="primary"
                  id={`close-${f.flag}`}
                  onClick={() => void act(f.flag, true)}
                >
                  {t("flag-record-close")}
                </Button>
              </div>
            </>
          )}
        </div>
      ))}
      <div className="sheet">
        {missing.length > 1 && (
          <p>
            <Button
              id="all-no"
              onClick={() =>
                void answer(
                  missing.map((f) => ({
                    flag: f.flag,
                    answer: "no",
                    confirmed: false,
                  })),
                )
              }
            >
              {t("flags-asked-all-no", { count: missing.length })}
            </Button>{" "}
            <span className="soft small">{t("flags-read-out")}</span>
          </p>
        )}
        {page.flags
          .filter((f) => f.asked)
          .map((f) => {
            const yes = f.state === "raised" || f.state === "closed",
              no = f.state === "no" || f.state === "queried";
            return (
              <div className="flag-row" key={f.flag}>
                <span>
                  {nameOf("flag", f.flag)}{" "}
                  <span className="soft small">
                    {nameOf("tier", f.tier)}
                    {f.state === "closed" ? `, ${t("flag-closed")}` : ""}
                  </span>
                </span>
                <span
                  className="answers"
                  role="group"
                  aria-label={nameOf("flag", f.flag)}
                >
                  <button
                    className="yn"
                    aria-pressed={no}
                    onClick={() =>
                      void answer([
                        { flag: f.flag, answer: "no", confirmed: false },
                      ])
                    }
                  >
                    {t("no")}
                  </button>
                  <button
                    className="yn yes"
                    aria-pressed={yes}
                    onClick={() =>
                      void answer([
                        { flag: f.flag, answer: "yes", confirmed: false },
                      ])
                    }
                  >
                    {t("yes")}
                  </button>
                </span>
              </div>
            );
          })}
      </div>
    </section>
  );
}
