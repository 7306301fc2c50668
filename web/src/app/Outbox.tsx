import Button from "antd/es/button";
import Drawer from "antd/es/drawer";
import Input from "antd/es/input";
import Popconfirm from "antd/es/popconfirm";
import type { Waiting } from "./browserDb";
import { useDraft } from "./drafts";
import { drain, type Outbox as Box, retry, takeBack } from "./outbox";
import { ProblemText } from "./parts";
import { moment, t } from "./wording";

/** What has not reached the clinic's server: whose, what, since when; to be tried again, changed or thrown away. */
export function Outbox({ box, onClose }: { box: Box; onClose: () => void }) {
  return (
    <Drawer
      open
      title={t("outbox-title")}
      onClose={onClose}
      size="large"
      id="outbox"
    >
      <p className="soft">{t(box.denied ? "outbox-denied" : "outbox-lead")}</p>
      {box.mine.length === 0 && <p>{t("outbox-empty")}</p>}
      <ul className="outbox">
        {box.mine.map((entry) => (
          <Row key={entry.key} entry={entry} />
        ))}
      </ul>
      {box.others > 0 && (
        <p className="soft small">{t("outbox-others", { n: box.others })}</p>
      )}
      {box.mine.some((w) => !w.refused) && (
        <Button type="primary" id="outbox-send" onClick={() => void drain()}>
          {t("outbox-send")}
        </Button>
      )}
    </Drawer>
  );
}

/** The words of an entry that a person may change: the note that was too long. */
function wordsOf(entry: Waiting): string | undefined {
  const body = entry.body as { body?: unknown };
  return entry.kind === "note" && typeof body.body === "string"
    ? body.body
    : undefined;
}

function Row({ entry }: { entry: Waiting }) {
  const words = wordsOf(entry);
  // Changed words outlive the drawer too.
  const draft = useDraft<string>(`outbox-${entry.key}`, { value: words ?? "" });
  const text = draft.value;
  const again = () => {
    draft.discard();
    void retry(
      entry,
      words === undefined
        ? entry.body
        : { ...(entry.body as object), body: text },
    );
  };
  return (
    <li data-kind={entry.kind} data-refused={entry.refused !== undefined}>
      <p className="flush">
        <b>{entry.patient || t("outbox-somebody")}</b>
        <br />
        {entry.says}
      </p>
      <p className="soft small flush">
        {t("outbox-since", { when: moment(entry.since) })}.{" "}
        {t(entry.refused ? "outbox-refused" : "outbox-waits")}
      </p>
      {entry.refused && <ProblemText problem={entry.refused} />}
      {words !== undefined && entry.refused && (
        <Input.TextArea
          rows={5}
          aria-label={t("note-title")}
          value={text}
          onChange={(e) => draft.set(e.target.value)}
        />
      )}
      <p className="row above-6">
        {entry.refused && (
          <Button size="small" onClick={again}>
            {t("outbox-retry")}
          </Button>
        )}
        <Popconfirm
          title={t("outbox-discard-ask")}
          okText={t("outbox-discard")}
          cancelText={t("cancel")}
          onConfirm={() => {
            draft.discard();
            void takeBack(entry.key);
          }}
        >
          <Button size="small" danger>
            {t("outbox-discard")}
          </Button>
        </Popconfirm>
      </p>
    </li>
  );
}
