import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { Link } from "react-router";
import { newId, type Schemas } from "../../app/client";
import { SaveMark, useEntries } from "../../app/entries";
import { ProblemNote } from "../../app/parts";
import { sentence, t } from "../../app/wording";

/** The findings speak against the chosen pathway: another one is chosen, or somebody says why it is kept. */
export function Challenge({
  episode,
  challenge,
  pathway,
  today,
}: {
  episode: string;
  challenge: Schemas["Reason"];
  pathway: string;
  today: string;
}) {
  const queries = useQueryClient();
  const [reason, setReason] = useState("");
  const { keep, state, error } = useEntries(episode);
  const record = () => {
    const id = newId();
    void keep(
      {
        kind: "exam_note",
        body: { id, on: today, kind: "pathway_kept", pathway, reason },
        says: `${t("pathway-keep")}: ${reason}`,
      },
      id,
    ).then((kept) => {
      if (!kept) return;
      for (const key of ["program", "reading", "story"])
        void queries.invalidateQueries({ queryKey: [key] });
    });
  };
  return (
    <div className="notice decide" role="alert" id="challenge">
      <b>{sentence(challenge)}</b>
      <ProblemNote error={error} />
      <p className="row wrap above-6">
        <Link to={`/e/${episode}/story`}>
          <Button type="primary">{t("pathway-choose")}</Button>
        </Link>
        <Input
          id="pathway-kept-why"
          className="w-440"
          aria-label={t("pathway-keep-why")}
          placeholder={t("pathway-keep-why")}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <Button
          id="pathway-keep"
          disabled={reason.trim() === ""}
          onClick={record}
        >
          {t("pathway-keep")}
        </Button>
        <SaveMark state={state} />
      </p>
    </div>
  );
}
