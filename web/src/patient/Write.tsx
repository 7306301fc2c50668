import { useState } from "react";
import { Call } from "./Call";
import { openingWords } from "./opening";
import type { Fact } from "./queue";
import { PREVIEW, type Page } from "./server";
import { useClinic } from "./useClinic";
import { dayWords, t } from "./words";

/** What is being written stays on the telephone until it is told. */
const DRAFT = "ritorno-home-draft-";

/** A message to the clinic, and what became of earlier ones. It is read in the clinic's hours; it is no talk. */
export function Write({
  page,
  waits,
  lost,
  tell,
  back,
}: {
  page: Page;
  /** Messages that wait for a network. */
  waits: { id: string; words: string }[];
  /** Messages that the clinic could not take: they stay to be read. */
  lost: { id: string; words: string }[];
  tell: (...facts: Fact[]) => Promise<boolean>;
  back: () => void;
}) {
  const place = DRAFT + page.whose;
  const [words, setWords] = useState(() => localStorage.getItem(place) ?? "");
  const clinic = useClinic();
  const hours = openingWords(clinic?.opening ?? []);
  const type = (text: string) => {
    if (!PREVIEW) localStorage.setItem(place, text);
    setWords(text);
  };
  return (
    <section id="write">
      <button className="back" onClick={back} id="write-back">
        {t("phone-back")}
      </button>
      <h1>{t("phone-write")}</h1>
      <p className="note">
        {hours ? t("phone-write-read", { hours }) : t("phone-write-some-day")}{" "}
        {t("phone-write-not-urgent")}
      </p>
      <Call />
      <label className="words">
        {t("phone-write-words")}
        <textarea
          id="words"
          rows={5}
          maxLength={page.message_letters}
          value={words}
          onChange={(e) => type(e.target.value)}
        />
      </label>
      <button
        className="main"
        id="write-send"
        disabled={words.trim() === ""}
        onClick={() => {
          const fact: Fact = {
            on: page.today,
            kind: "message",
            words: words.trim(),
          };
          // Kept among what waits before it leaves the field; a telephone that has no room for it gives it back.
          const sent = tell(fact);
          type("");
          sent.catch(() => type(words));
        }}
      >
        {t("phone-write-send")}
      </button>
      {page.messages.length + waits.length + lost.length > 0 && (
        <ul className="written">
          {lost.map((message) => (
            <li key={message.id} data-lost>
              <span className="soft">{t("phone-write-lost")}</span>
              {message.words}
            </li>
          ))}
          {waits.map((message) => (
            <li key={message.id}>
              <span className="soft">{t("phone-write-waits")}</span>
              {message.words}
            </li>
          ))}
          {[...page.messages].reverse().map((message) => (
            <li key={message.id} data-read={message.read}>
              <span className="soft">
                {dayWords(message.on)} ·{" "}
                {t(message.read ? "phone-write-seen" : "phone-write-unseen")}
              </span>
              {message.words}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
