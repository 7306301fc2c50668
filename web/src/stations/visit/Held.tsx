import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { nameOf, sentence, shortDate, t } from "../../app/wording";

type View = Schemas["VisitView"];

interface Part {
  episode: string;
  view: View;
  onDone: () => void;
  onError: (e: unknown) => void;
}

/** What is held: measurements above a ceiling that nobody has dealt with, and exercises that a stop has paused. */
export function Held(props: Part) {
  const { view } = props;
  return (
    <>
      {view.breaches.map((b) => (
        <Breach key={b.quantity} breach={b} {...props} />
      ))}
      {view.paused.map((p) => (
        <Paused key={p.id} step={p} {...props} />
      ))}
    </>
  );
}

function Breach({
  episode,
  breach: b,
  onDone,
  onError,
}: Part & { breach: View["breaches"][number] }) {
  const [words, setWords] = useState("");
  const [id] = useState(newId);
  const saver = useSaver();
  const send = () =>
    saver
      .run(async () => {
        await ask(
          api.POST("/api/episodes/{id}/breach-answers", {
            params: { path: { id: episode } },
            body: {
              id,
              measurement: b.view.measurement.id,
              on: b.view.measurement.on,
              role: "surgeon",
              words,
            },
          }),
        );
        onDone();
      })
      .catch(onError);
  return (
    <div className="notice stop" role="alert" data-breach={b.quantity}>
      <b>{sentence(b.reason)}</b>
      {b.surgeon && (
        <p className="row wrap above-6">
          <Input
            id={`breach-${b.quantity}`}
            className="w-440"
            aria-label={t("breach-answer")}
            placeholder={t("breach-answer")}
            value={words}
            onChange={(e) => setWords(e.target.value)}
          />
          <Button disabled={saver.busy} onClick={() => void send()}>
            {t("breach-record")}
          </Button>
          <SaveMark state={saver.state} />
        </p>
      )}
    </div>
  );
}

function Paused({
  episode,
  step,
  onDone,
  onError,
}: Part & { step: View["paused"][number] }) {
  const [reason, setReason] = useState("");
  const [id] = useState(newId);
  const saver = useSaver();
  const send = () =>
    saver
      .run(async () => {
        await ask(
          api.POST("/api/episodes/{id}/resumes", {
            params: { path: { id: episode } },
            body: { id, exercise: step.exercise, reason },
          }),
        );
        onDone();
      })
      .catch(onError);
  return (
    <div className="notice decide" data-paused={step.exercise}>
      <b>{t("line-paused", { exercise: step.exercise })}</b>{" "}
      <span className="soft small">{shortDate(step.on)}</span>
      <p className="row wrap above-6">
        <Input
          id={`resume-${step.exercise}`}
          className="w-440"
          aria-label={`${t("resume-why")}: ${nameOf("exercise", step.exercise)}`}
          placeholder={t("resume-why")}
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
        <Button disabled={saver.busy} onClick={() => void send()}>
          {t("line-resume")}
        </Button>
        <SaveMark state={saver.state} />
      </p>
    </div>
  );
}
