import Button from "antd/es/button";
import Input from "antd/es/input";
import { type ReactNode, useState } from "react";
import { newId, type Schemas } from "./client";
import { SaveMark, useSaver } from "./entries";
import { given, NO_REASON, type Reason, Why } from "./Why";
import { useKept } from "./useKept";

/** Thrown where the page has told what went wrong already. */
const TOLD = new Error();

/** One line of words, or a reason of the list, and the key that records it. */
export function InWords({
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
  /** Answers `false` where it was not kept and the page has said why: the words stay. */
  send: (entry: string, reason: Reason) => Promise<unknown>;
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const [reason, setReason] = useKept(`words-${id}`, NO_REASON);
  const [entry] = useState(newId);
  const saver = useSaver();
  const record = () =>
    saver
      .run(async () => {
        if ((await send(entry, reason)) === false) throw TOLD;
        setReason(NO_REASON);
        onDone();
      })
      .catch((failure: unknown) => failure !== TOLD && onError(failure));
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
      <Button
        id={`${id}-record`}
        disabled={saver.busy || !given(reason)}
        onClick={() => void record()}
      >
        {button}
      </Button>
      <SaveMark state={saver.state} />
    </div>
  );
}
