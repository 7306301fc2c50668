import Button from "antd/es/button";
import Input from "antd/es/input";
import { type ReactNode, useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { inWords, NO_REASON, Why } from "../../app/Why";
import { nameOf, sentence, shortDate, t } from "../../app/wording";

type View = Schemas["VisitView"];

/** What is held: measurements above a ceiling that nobody has dealt with, and exercises that a stop has paused. */
export function Held({
  episode,
  view,
  onDone,
  onError,
}: {
  episode: string;
  view: View;
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const path = { params: { path: { id: episode } } };
  const ends = { onDone, onError };
  return (
    <>
      {view.breaches.map((b) => (
        <div
          className="notice stop"
          role="alert"
          key={b.quantity}
          data-breach={b.quantity}
        >
          <b>{sentence(b.reason)}</b>
          {b.surgeon && (
            <InWords
              id={`breach-${b.quantity}`}
              label={t("breach-answer")}
              button={t("breach-record")}
              {...ends}
              send={(id, words) =>
                ask(
                  api.POST("/api/episodes/{id}/breach-answers", {
                    ...path,
                    body: {
                      id,
                      measurement: b.view.measurement.id,
                      on: b.view.measurement.on,
                      role: "surgeon",
                      words,
                    },
                  }),
                )
              }
            />
          )}
        </div>
      ))}
      {view.paused.map((p) => (
        <div className="notice decide" key={p.id} data-paused={p.exercise}>
          <b>{t("line-paused", { exercise: p.exercise })}</b>{" "}
          <span className="soft small">{shortDate(p.on)}</span>
          <InWords
            id={`resume-${p.exercise}`}
            label={`${t("resume-why")}: ${nameOf("exercise", p.exercise)}`}
            button={t("line-resume")}
            of="resume"
            {...ends}
            send={(id, reason) =>
              ask(
                api.POST("/api/episodes/{id}/resumes", {
                  ...path,
                  body: { id, exercise: p.exercise, reason },
                }),
              )
            }
          />
        </div>
      ))}
    </>
  );
}

/** One line of words, and the key that records it. */
function InWords({
  id,
  label,
  button,
  of,
  send,
  onDone,
  onError,
}: {
  id: string;
  label: string;
  button: ReactNode;
  /** Offers the list of reasons beside the words. */
  of?: Schemas["ReasonFor"];
  send: (entry: string, words: string) => Promise<unknown>;
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const [reason, setReason] = useState(NO_REASON);
  const [entry] = useState(newId);
  const saver = useSaver();
  const record = () =>
    saver
      .run(async () => {
        await send(entry, inWords(reason));
        onDone();
      })
      .catch(onError);
  return (
    <div className="row wrap above-6">
      {of ? (
        <Why
          id={id}
          of={of}
          label={label}
          value={reason}
          onChange={setReason}
        />
      ) : (
        <Input
          id={id}
          className="w-440"
          aria-label={label}
          placeholder={label}
          value={reason.words}
          onChange={(e) => setReason({ ...NO_REASON, words: e.target.value })}
        />
      )}
      <Button disabled={saver.busy} onClick={() => void record()}>
        {button}
      </Button>
      <SaveMark state={saver.state} />
    </div>
  );
}
