import Button from "antd/es/button";
import { DateInput } from "../../app/DateInput";
import Input from "antd/es/input";
import { Choose } from "../../app/Choose";
import { useState } from "react";
import type { Schemas } from "../../app/client";
import {
  attr,
  capital,
  nameOf,
  sentence,
  shortDate,
  t,
} from "../../app/wording";
import type { Reply, Step } from "./Flags";
import { useKept } from "../../app/useKept";

type Flag = Schemas["FlagView"];
type Cause = Schemas["CauseView"];
type OnStep = (step: Step) => Promise<boolean>;

/** One flag that is open, or was: what raised it, what was done, and the next step. */
export function FlagCard({
  flag: f,
  onAnswer,
  onStep,
}: {
  flag: Flag;
  onAnswer: (answers: Reply[]) => Promise<boolean>;
  onStep: OnStep;
}) {
  const texts = f.causes.filter((c) => c.kind === "text");
  const raised = f.causes.filter(
    (c) => c.kind !== "text" && c.state !== "answered",
  );
  const past = f.state === "answered" && texts.length === 0;
  const calm = past || (raised.length === 0 && texts.every((c) => c.soft));
  return (
    <div
      className={`notice ${calm ? "past" : "stop"}`}
      role={calm ? undefined : "alert"}
      data-flag={f.flag}
      data-state={f.state}
    >
      <b>
        {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}
      </b>{" "}
      <span className="small">
        {t(`flag-state-${f.state.replace("_", "-")}`)}
      </span>
      {f.overdue && <b className="bad"> {t("flag-overdue")}</b>}
      {raised.map((c) => (
        <p key={c.key} className="flush above-6">
          {c.reason ? sentence(c.reason) : ""}{" "}
          <span className="soft small">
            {shortDate(c.on)} · {t(`cause-${c.state.replace("_", "-")}`)}
          </span>
        </p>
      ))}
      {texts.map((c) => (
        <Passage key={c.key} flag={f} cause={c} onAnswer={onAnswer} />
      ))}
      {f.steps.length > 0 && (
        <ul className="small indented above-6">
          {f.steps.map((s) => (
            <li key={s.id}>
              {shortDate(s.on)}: {told(s)}
            </li>
          ))}
        </ul>
      )}
      {raised.length > 0 && (
        <>
          <p className="above-6">
            {attr(`flag-${f.flag}`, "act")} {t("flag-paused")}
          </p>
          <NextStep flag={f} raised={raised} onStep={onStep} />
        </>
      )}
    </div>
  );
}

/** A step in words. */
function told(s: Schemas["FlagStep"]): string {
  if (s.step === "acted")
    return [
      s.action ? nameOf("action", s.action) : "",
      s.words ?? "",
      t("flag-told", { who: s.told }),
    ]
      .filter((part) => part !== "")
      .join(" · ");
  if (s.step === "answered")
    return [
      `${s.result} (${s.by})`,
      t("flag-may-resume", { what: s.resumes }),
      s.stands_until
        ? t("flag-stands-until", { date: shortDate(s.stands_until) })
        : "",
    ]
      .filter((part) => part !== "")
      .join(" · ");
  return t("flag-mistake-was", { why: s.reason });
}

/** A passage of a text, quoted: one key answers it. */
function Passage({
  flag,
  cause: c,
  onAnswer,
}: {
  flag: Flag;
  cause: Cause;
  onAnswer: (answers: Reply[]) => Promise<boolean>;
}) {
  const reply = (answer: "yes" | "no", because: Reply["because"] = null) =>
    void onAnswer([{ flag: flag.flag, answer, about: [c.key], because }]);
  const block = c.offer === "wearing_off";
  return (
    <div className="above-6" data-passage={c.key}>
      <p className="flush">
        <q>{c.quote}</q> <span className="soft small">{shortDate(c.on)}</span>
        <br />
        {block ? attr("flag-hand-numb", "block") : t("flag-text-asks")}
      </p>
      <p className="row above-6">
        {c.offer && (
          <Button size="small" onClick={() => reply("no", c.offer)}>
            {t(`offer-${c.offer.replace("_", "-")}`)}
          </Button>
        )}
        <Button size="small" onClick={() => reply("no")}>
          {t("flag-asked-no")}
        </Button>
        <Button size="small" danger onClick={() => reply("yes")}>
          {t("flag-asked-yes")}
        </Button>
      </p>
    </div>
  );
}

/** What was done and who was told; then the answer; or that it was entered by mistake. */
function NextStep({
  flag: f,
  raised,
  onStep,
}: {
  flag: Flag;
  raised: Cause[];
  onStep: OnStep;
}) {
  const acted = raised.filter((c) => c.state === "acted_on");
  const [by, setBy] = useState<"step" | "mistake">("step");
  const causes = (of: Cause[]) => of.map((c) => c.key);
  return (
    <>
      {by === "step" && f.state !== "acted_on" && (
        <Acted
          flag={f}
          onDone={(part) =>
            onStep({ flag: f.flag, causes: causes(raised), ...part } as Step)
          }
        />
      )}
      {by === "step" && acted.length > 0 && (
        <Answered
          flag={f}
          onDone={(part) =>
            onStep({ flag: f.flag, causes: causes(acted), ...part } as Step)
          }
        />
      )}
      {by === "mistake" && (
        <Mistake
          flag={f.flag}
          onDone={(reason) =>
            onStep({
              flag: f.flag,
              causes: causes(raised),
              step: "mistake",
              reason,
            })
          }
        />
      )}
      <p className="flush above-6">
        <Button
          size="small"
          type="text"
          onClick={() => setBy(by === "step" ? "mistake" : "step")}
        >
          {t(by === "step" ? "flag-by-mistake" : "cancel")}
        </Button>
      </p>
    </>
  );
}

const OTHER = "other";

interface ActedSaid {
  action: string | null;
  words: string;
  who: string;
}
const NOT_ACTED: ActedSaid = { action: null, words: "", who: "" };
interface AnsweredSaid {
  result: string;
  by: string;
  resumes: string;
  until: string | null;
}
const NOT_ANSWERED: AnsweredSaid = {
  result: "",
  by: "",
  resumes: "",
  until: null,
};

/** The fields of a step while they are typed, kept together. */
function useSaid<T extends object>(name: string, blank: T) {
  const [said, setSaid] = useKept(name, blank);
  const set = (part: Partial<T>) => setSaid((now) => ({ ...now, ...part }));
  return [said, set] as const;
}

function Acted({
  flag: f,
  onDone,
}: {
  flag: Flag;
  onDone: (part: {
    step: "acted";
    action: string | null;
    words: string;
    told: string;
  }) => Promise<boolean>;
}) {
  const id = `act-${f.flag}`;
  const [{ action, words, who }, set] = useSaid(id, NOT_ACTED);
  return (
    <div className="row wrap above-6">
      <Choose
        id={`${id}-what`}
        className="w-240"
        aria-label={t("flag-what-done")}
        placeholder={t("flag-what-done")}
        value={action}
        onChange={(next) => set({ action: next })}
        options={[
          ...f.actions.map((a) => ({ value: a, label: nameOf("action", a) })),
          { value: OTHER, label: t("flag-other-action") },
        ]}
      />
      <Input
        id={id}
        className="w-240"
        aria-label={t("flag-in-words")}
        placeholder={t("flag-in-words")}
        value={words}
        onChange={(e) => set({ words: e.target.value })}
      />
      <Input
        id={`${id}-told`}
        className="w-240"
        aria-label={t("flag-who-told")}
        placeholder={t("flag-who-told")}
        value={who}
        onChange={(e) => set({ who: e.target.value })}
      />
      <Button
        id={`record-${f.flag}`}
        type="primary"
        onClick={() =>
          void onDone({
            step: "acted",
            action: action === OTHER ? null : action,
            words,
            told: who,
          }).then((kept) => kept && set(NOT_ACTED))
        }
      >
        {t("flag-record-acted")}
      </Button>
    </div>
  );
}

function Answered({
  flag: f,
  onDone,
}: {
  flag: Flag;
  onDone: (part: {
    step: "answered";
    result: string;
    by: string;
    resumes: string;
    stands_until: string | null;
  }) => Promise<boolean>;
}) {
  const id = `answer-${f.flag}`;
  const [said, set] = useSaid(id, NOT_ANSWERED);
  const { result, by, resumes, until } = said;
  const fields = [
    ["", "flag-result", "result"],
    ["-by", "flag-answered-by", "by"],
    ["-resumes", "flag-resumes", "resumes"],
  ] as const;
  return (
    <div className="row wrap above-6">
      {fields.map(([suffix, label, field]) => (
        <Input
          key={label}
          id={`${id}${suffix}`}
          className="w-240"
          aria-label={t(label)}
          placeholder={t(label)}
          value={said[field]}
          onChange={(e) => set({ [field]: e.target.value })}
        />
      ))}
      {f.may_stand && (
        <DateInput
          className="w-190"
          aria-label={t("flag-may-stand")}
          placeholder={t("flag-may-stand")}
          value={until}
          onChange={(day) => set({ until: day === "" ? null : day })}
        />
      )}
      <Button
        id={`close-${f.flag}`}
        type="primary"
        onClick={() =>
          void onDone({
            step: "answered",
            result,
            by,
            resumes,
            stands_until: until,
          }).then((kept) => kept && set(NOT_ANSWERED))
        }
      >
        {t("flag-record-answer")}
      </Button>
    </div>
  );
}

function Mistake({
  flag,
  onDone,
}: {
  flag: string;
  onDone: (reason: string) => Promise<boolean>;
}) {
  const [reason, setReason] = useKept(`mistake-${flag}`, "");
  return (
    <div className="row wrap above-6">
      <Input
        id={`mistake-${flag}`}
        className="w-440"
        aria-label={t("flag-mistake-why")}
        placeholder={t("flag-mistake-why")}
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <Button
        onClick={() =>
          void onDone(reason).then((kept) => kept && setReason(""))
        }
      >
        {capital(t("flag-by-mistake"))}
      </Button>
    </div>
  );
}
