import Button from "antd/es/button";
import Input from "antd/es/input";
import { useEffect, useRef, useState } from "react";
import { newId, type Schemas } from "../../app/client";
import { DraftNotes } from "../../app/DraftNotes";
import { useDraftKey, useDraftText } from "../../app/drafts";
import { Screened } from "../../app/Screened";
import { t } from "../../app/wording";
import { draftedNote } from "./drafted";
import type { Post } from "./post";

/** How far the day's entries have come. */
export type Sent = "under" | "in" | "waits";

/** What was seen and done, in words; signed it is never changed. */
export function Note({
  most,
  page,
  sent,
  post,
}: {
  page: Schemas["VisitPage"];
  /** Characters the server keeps of one note. */
  most: number;
  /** How far what was entered has come: `under` way to the server or back, all `in` the page, or it `waits`. */
  sent: Sent;
  post: Post;
}) {
  const draft = useDraftText(useDraftKey("note"));
  const { value: body, set: write } = draft;
  const [id, setId] = useState(newId);
  const [signed, setSigned] = useState(false);
  const drafted = draftedNote(page);
  // What was tapped a moment ago belongs into it: a draft that is asked for meanwhile waits for it.
  const [wanted, setWanted] = useState(false);
  useEffect(() => {
    if (!wanted || sent === "under") return;
    setWanted(false);
    if (body.trim() === "") write(drafted);
  }, [wanted, sent, body, drafted, write]);
  const tooLong = body.length > most;
  useEffect(() => {
    if (body !== "") setSigned(false);
  }, [body]);
  const now = useRef("");
  useEffect(() => {
    now.current = body;
  });
  const sign = () => {
    // The outbox holds it from here on: a draft that stayed would be signed twice after the page was closed.
    write("");
    setId(newId());
    void post(
      {
        kind: "note",
        body: { id, body },
        says: `${t("note-title")}: ${body.slice(0, 60)}`,
      },
      id,
      () => {
        if (now.current !== "") return false;
        write(body);
        return true;
      },
    ).then((ok) => ok && setSigned(true));
  };
  return (
    <section className="block">
      <h2>{t("note-title")}</h2>
      <DraftNotes draft={draft} says={(text) => text} />
      <Input.TextArea
        id="note"
        rows={2}
        aria-label={t("note-title")}
        placeholder={t("note-placeholder")}
        value={body}
        status={tooLong ? "error" : ""}
        onChange={(e) => write(e.target.value)}
      />
      <Screened text={body} />
      {tooLong && (
        <p className="bad small" role="alert">
          {t("note-too-long", { most, given: body.length })}
        </p>
      )}
      <p className="row above-8">
        <Button
          type="primary"
          id="sign-note"
          disabled={body.trim() === "" || tooLong}
          onClick={sign}
        >
          {t("note-sign")}
        </Button>
        {body.trim() === "" && drafted !== "" && (
          <Button
            id="draft-note"
            loading={wanted}
            onClick={() => setWanted(true)}
          >
            {t("note-draft")}
          </Button>
        )}
        {sent === "waits" && (
          <span className="soft small">{t("note-draft-waits")}</span>
        )}
        {signed && <span role="status">{t("note-signed")}</span>}
      </p>
    </section>
  );
}
