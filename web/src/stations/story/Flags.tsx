import Button from "antd/es/button";
import { type ReactNode, useState } from "react";
import { useSearchParams } from "react-router";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { ProblemNote } from "../../app/parts";
import { nameOf, t } from "../../app/wording";
import { FlagCard } from "./FlagCard";

type Page = Schemas["StoryPage"];
export type Reply = Omit<Schemas["FlagReply"], "id">;
type Bare<T> = T extends unknown ? Omit<T, "id" | "on"> : never;
export type Step = Bare<Schemas["FlagStep"]>;

/** Red flags first: asked, raised, acted on, answered. */
export function Flags({
  episode,
  page,
  keep,
  today,
  beside,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
  today: string;
  /** A place for words beside the questions. */
  beside: ReactNode;
}) {
  const [error, setError] = useState<unknown>();
  const [asked] = useSearchParams();
  // Sent here because one of them is so.
  const [opened, setOpened] = useState(asked.has("flags"));
  const saver = useSaver();
  const path = { params: { path: { id: episode } } };
  const send = async (work: () => Promise<Page>): Promise<boolean> => {
    setError(undefined);
    try {
      await saver.inTurn(async () => keep(await work()));
      return true;
    } catch (e) {
      setError(e);
      return false;
    }
  };
  const answer = (answers: Reply[]) =>
    send(() =>
      ask(
        api.POST("/api/episodes/{id}/flags", {
          ...path,
          body: { answers: answers.map((a) => ({ ...a, id: newId() })) },
        }),
      ),
    );
  const step = (taken: Step) =>
    send(() =>
      ask(
        api.POST("/api/episodes/{id}/flag-steps", {
          ...path,
          body: { ...taken, id: newId(), on: today } as Schemas["FlagStep"],
        }),
      ),
    );
  const shown = page.flags.filter(
    (f) =>
      ["raised", "queried", "acted_on"].includes(f.state) ||
      f.causes.some((c) => c.soft),
  );
  const past = page.flags.filter((f) => f.state === "answered");
  const missing = page.flags.filter((f) => f.asked && f.state === "not_asked");
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
      {[...shown, ...past].map((f) => (
        <FlagCard key={f.flag} flag={f} onAnswer={answer} onStep={step} />
      ))}
      <div className="sheet">
        {missing.length > 1 && (
          <p>
            <Button
              id="all-no"
              onClick={() =>
                void answer(
                  missing.map((f) => ({ flag: f.flag, answer: "no" })),
                )
              }
            >
              {t("flags-asked-all-no", { count: missing.length })}
            </Button>{" "}
            <span className="soft small">{t("flags-read-out")}</span>
          </p>
        )}
        <details open={missing.length > 0 || opened} id="flag-questions">
          <summary
            className="soft"
            onClick={(e) => {
              e.preventDefault();
              setOpened(!opened);
            }}
          >
            {t("flags-questions", {
              count: page.flags.filter((f) => f.asked).length,
            })}
          </summary>
          {page.flags
            .filter((f) => f.asked)
            .map((f) => (
              <Question key={f.flag} flag={f} onAnswer={answer} />
            ))}
        </details>
        {beside}
      </div>
    </section>
  );
}

/** Brings the card of a flag into view: what is to be done stands there. */
function toCard(flag: string) {
  requestAnimationFrame(() =>
    document
      .querySelector(`[data-flag='${flag}']`)
      ?.scrollIntoView({ block: "center" }),
  );
}

/** One question. A yes stays until something was done about it. */
function Question({
  flag: f,
  onAnswer,
}: {
  flag: Schemas["FlagView"];
  onAnswer: (answers: Reply[]) => Promise<boolean>;
}) {
  const yes = ["raised", "acted_on", "answered"].includes(f.state);
  return (
    <div className="flag-row">
      <span>
        {nameOf("flag", f.flag)}{" "}
        <span className="soft small">
          {nameOf("tier", f.tier)}
          {f.state === "answered" || f.state === "acted_on"
            ? `, ${t(`flag-state-${f.state.replace("_", "-")}`)}`
            : ""}
        </span>
      </span>
      <span
        className="answers"
        role="group"
        aria-label={nameOf("flag", f.flag)}
      >
        <button
          className="yn"
          aria-pressed={f.state === "no" || f.state === "queried"}
          disabled={f.state === "raised" || f.state === "acted_on"}
          onClick={() => void onAnswer([{ flag: f.flag, answer: "no" }])}
        >
          {t("no")}
        </button>
        <button
          className="yn yes"
          aria-pressed={yes}
          onClick={() =>
            void onAnswer([{ flag: f.flag, answer: "yes" }]).then(
              (kept) => kept && toCard(f.flag),
            )
          }
        >
          {t("yes")}
        </button>
      </span>
    </div>
  );
}
