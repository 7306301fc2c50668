import "../app/stationWords";
import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, newId } from "../app/client";
import { ProblemNote } from "../app/parts";
import { useKept } from "../app/useKept";
import { useSubmit } from "../app/useSubmit";
import { t } from "../app/wording";

/** Letters of a reason, at least and at most. */
const LETTERS = [3, 500] as const;

/** The record of somebody else's patient: opened with a reason, which a lead reads. */
export function Shut({ episode }: { episode: string }) {
  const queries = useQueryClient();
  const { busy, error, run, fault } = useSubmit();
  const [{ words }, setKept] = useKept(`shut-${episode}`, { words: "" });
  const [id] = useState(newId);
  const open = () =>
    run(async () => {
      await ask(
        api.POST("/api/episodes/{id}/openings", {
          params: { path: { id: episode } },
          body: { id, words },
        }),
      );
      setKept({ words: "" });
      await queries.resetQueries();
    });
  return (
    <section className="block shut" id="record-shut">
      <h1>{t("shut-title")}</h1>
      <p>{t("shut-lead")}</p>
      <Form layout="vertical" className="spaced" onFinish={() => void open()}>
        <ProblemNote error={error} />
        <Form.Item
          label={t("shut-words")}
          htmlFor="shut-words"
          extra={t("shut-hours")}
          {...fault("words")}
        >
          <Input.TextArea
            id="shut-words"
            autoFocus
            rows={3}
            maxLength={LETTERS[1]}
            value={words}
            onChange={(e) => setKept({ words: e.target.value })}
          />
        </Form.Item>
        <Button
          type="primary"
          htmlType="submit"
          id="open-record"
          disabled={busy || words.trim().length < LETTERS[0]}
        >
          {t("shut-open")}
        </Button>
      </Form>
    </section>
  );
}
