import { useQuery } from "@tanstack/react-query";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { Choose } from "../../app/Choose";
import { Field } from "../../app/Field";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, type Schemas } from "../../app/client";
import { muchOf } from "../../app/dose";
import { inWords, NO_REASON, Why } from "../../app/Why";
import { NumberField } from "../../app/NumberField";
import type { Typed } from "../../app/numbers";
import { useSpoken } from "../../app/spoken";
import { nameOf, sentence, t } from "../../app/wording";
import { reasonText } from "./reasonText";
import { VerdictMark } from "../../pictures/Marks";
import type { Draft } from "./draft";
import { many, toggled } from "./week/days";
import { queryKeys } from "../../app/queryKeys";

const LOADS = ["load_kg", "elastic_level", "distance_m", "effort_pct"] as const;

/** One exercise: figure, dose, what the check says, why it is there. */
export function LinePanel({
  episode,
  chosen,
  why,
  draft,
  onRung,
  onRemove,
}: {
  episode: string;
  chosen: Schemas["LineView"];
  why: Schemas["Reason"][];
  draft: Draft;
  onRung: (step: number) => void;
  onRemove: () => void;
}) {
  const { line } = chosen;
  const { exercise } = useSpoken();
  return (
    <section className="sheet panel" id="line-panel">
      <div>
        <img
          src={`/api/episodes/${episode}/figures/${line.exercise}`}
          alt={exercise(line.exercise, "how")}
        />
        <p className="small">
          {exercise(line.exercise, "start")} {exercise(line.exercise, "how")}{" "}
          {chosen.cues.map((cue) => t(`cue-${cue}`)).join(" ")}
        </p>
      </div>
      <div>
        <h3>{nameOf("exercise", line.exercise)}</h3>
        <p className="soft small">
          {nameOf("ladder", chosen.ladder)}, {t("rung-n", { n: chosen.rung })}
          {line.by_hand ? ` · ${t("by-hand")}` : ""}
        </p>
        <p className="rungs">
          <Button size="small" id="rung-down" onClick={() => onRung(-1)}>
            {t("rung-down")} <kbd>−</kbd>
          </Button>{" "}
          <Button size="small" id="rung-up" onClick={() => onRung(1)}>
            {t("rung-up")} <kbd>+</kbd>
          </Button>{" "}
          <Link className="small" to={`/library/${line.exercise}`}>
            {t("to-load-bench")}
          </Link>
        </p>
        <Dose line={line} draft={draft} />
        <WeekDays chosen={chosen} draft={draft} />
        <Load episode={episode} line={line} />
        <p className="num small above-8">
          {t("minutes-session", { minutes: Math.round(chosen.totals.minutes) })}
          ,{" "}
          {t("weekly-reps", {
            n: Math.round(chosen.totals.weekly_repetitions),
          })}
        </p>
        <Button id="remove-line" onClick={onRemove}>
          {t("remove")} <kbd>Del</kbd>
        </Button>
      </div>
      <Check chosen={chosen} why={why} draft={draft} />
    </section>
  );
}

/** Every part of the dose, and the days it runs. What may not be kept stays in its field and changes nothing. */
function Dose({ line, draft }: { line: Schemas["Line"]; draft: Draft }) {
  const dose = (part: Partial<Schemas["Dose"]>) =>
    void draft.edit(line.id, { dose: { ...line.dose, ...part } });
  // A band pulls by its distance: both are told.
  const loads = LOADS.filter((f) =>
    f === "distance_m" ? line.dose.elastic_level != null : line.dose[f] != null,
  );
  const fields = [
    "sets",
    ...muchOf(line.dose),
    "rest_s",
    "times_per_day",
    "days_per_week",
    ...loads,
  ] as const;
  return (
    <div className="doses" key={line.id}>
      {fields.map((f) => (
        <Settled
          key={f}
          id={`dose-${f}`}
          rule={f}
          label={nameOf("field", f)}
          value={line.dose[f] ?? null}
          // As many days as before have their own places; another number is spread anew.
          onSettled={(n) =>
            dose({
              [f]: n,
              ...(f === "days_per_week" ? { weekdays: null } : {}),
            })
          }
        />
      ))}
      {line.dose.duration_s == null && (
        <Tempo
          value={line.dose.tempo_s ?? null}
          onSettled={(tempo_s) => dose({ tempo_s })}
        />
      )}
      <Field label={nameOf("field", "structure")} name="structure">
        <Choose
          id="dose-structure"
          value={line.dose.structure ?? "straight"}
          onChange={(structure) =>
            dose({
              structure:
                structure === "straight"
                  ? null
                  : (structure as Schemas["SetStructure"]),
            })
          }
          options={["straight", "circuit", "single"].map((value) => ({
            value,
            label: t(`structure-${value}`),
          }))}
        />
      </Field>
      {(["from_day", "to_day"] as const).map((f) => (
        <Settled
          key={f}
          id={f}
          rule="line_day"
          label={t(f)}
          value={line[f]}
          onSettled={(n) => void draft.edit(line.id, { [f]: n })}
        />
      ))}
    </div>
  );
}

/** The days of the week it is done on: taken in and out by a tap, and counted. */
function WeekDays({
  chosen: { line, days },
  draft,
}: {
  chosen: Schemas["LineView"];
  draft: Draft;
}) {
  const change = (day: number) => {
    const weekdays = toggled(days, day);
    if (weekdays)
      void draft.edit(line.id, {
        dose: { ...line.dose, weekdays, days_per_week: many(weekdays) },
      });
  };
  return (
    <fieldset className="line-days">
      <legend>{t("line-days")}</legend>
      {days.map((on, at) => (
        <Button
          key={at}
          id={`line-day-${at + 1}`}
          type={on ? "primary" : "default"}
          aria-pressed={on}
          onClick={() => change(at + 1)}
        >
          {t(`weekday-${at + 1}`)}
        </Button>
      ))}
    </fieldset>
  );
}

/** A number that changes the plan once it is finished: on Enter, or when the field is left. */
function Settled({
  id,
  rule,
  label,
  value,
  onSettled,
}: {
  id: string;
  rule: string;
  label: string;
  value: number | null;
  onSettled: (n: number) => void;
}) {
  const [now, setNow] = useState<Typed>(value);
  const [known, setKnown] = useState(value);
  // Enter finishes a field, and so does leaving it: what was told once is not told again.
  const [told, setTold] = useState(value);
  if (value !== known) {
    setKnown(value);
    setNow(value);
    setTold(value);
  }
  return (
    <NumberField
      id={id}
      rule={rule}
      label={label}
      value={now}
      onValue={setNow}
      onDone={() => {
        if (now == null || now === value || now === told) return;
        setTold(now);
        onSettled(now);
      }}
    />
  );
}

/** Seconds of the way, the pause and the way back; nothing for a free tempo. */
function Tempo({
  value,
  onSettled,
}: {
  value: number[] | null;
  onSettled: (next: number[] | null) => void;
}) {
  const was = value?.join("-") ?? "";
  const [text, setText] = useState(was);
  const [known, setKnown] = useState(was);
  const [wrong, setWrong] = useState(false);
  if (was !== known) {
    setKnown(was);
    setText(was);
  }
  const settle = () => {
    const clean = text.trim();
    const parts = clean.split(/[-–/\s]+/);
    const read = parts.length === 3 && parts.every((x) => /^\d{1,2}$/.test(x));
    setWrong(clean !== "" && !read);
    if (clean !== was && (clean === "" || read))
      onSettled(clean === "" ? null : parts.map(Number));
  };
  return (
    <label className={`field${wrong ? " faulty" : ""}`}>
      <span>{nameOf("field", "tempo_s")}</span>
      <Input
        className="num"
        id="dose-tempo"
        placeholder="2-0-4"
        autoComplete="off"
        suffix={<span className="unit soft">s</span>}
        value={text}
        aria-invalid={wrong}
        onChange={(e) => {
          setText(e.target.value);
          setWrong(false);
        }}
        onBlur={settle}
        onPressEnter={settle}
      />
      {wrong && (
        <span className="bad" role="alert">
          {t("tempo-unreadable", { text })}
        </span>
      )}
    </label>
  );
}

/** What the safety check says of the line, and why it is there. */
function Check({
  chosen,
  why,
  draft,
}: {
  chosen: Schemas["LineView"];
  why: Schemas["Reason"][];
  draft: Draft;
}) {
  const { line } = chosen;
  return (
    <div>
      <h3 className="below-6">
        <VerdictMark status={chosen.verdict.status} />{" "}
        {t(`verdict-${chosen.verdict.status}`)}
      </h3>
      <ul className="reasons">
        {chosen.verdict.findings.map((f, i) => (
          <li key={i}>
            <VerdictMark status={f.status} />
            {sentence(f.reason)}{" "}
            <span className="soft small">
              {t("day-n", { day: f.day })}
              {f.overridable
                ? `, ${t("may-override")}`
                : `, ${t("may-not-override")}`}
            </span>
          </li>
        ))}
        {chosen.verdict.findings.length === 0 && (
          <li>
            <VerdictMark status="allowed" />
            {t("verdict-nothing")}
          </li>
        )}
      </ul>
      {why.length > 0 && (
        <p className="small above-10">
          <b>{t("why-here")}</b> {why.map(reasonText).join(" ")}
        </p>
      )}
      {chosen.verdict.status === "caution" && (
        <CautionReason key={line.id} line={line} draft={draft} />
      )}
    </div>
  );
}

/** Why a caution is accepted: by one key, in words, or both. */
function CautionReason({
  line,
  draft,
}: {
  line: Schemas["Line"];
  draft: Draft;
}) {
  const [reason, setReason] = useState({
    ...NO_REASON,
    words: line.override_reason ?? "",
  });
  const settle = (next: typeof reason) => {
    const words = inWords(next);
    if (words !== (line.override_reason ?? ""))
      void draft.edit(line.id, { override_reason: words || null });
  };
  return (
    <div
      className="above-10"
      onBlur={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget)) settle(reason);
      }}
    >
      <Why
        id="caution-reason"
        of="line"
        label={t("override-reason")}
        value={reason}
        onChange={(next) => {
          setReason(next);
          if (next.code !== reason.code) settle(next);
        }}
      />
    </div>
  );
}

/**
 * What this line asks of this shoulder: the peak about the joint, and the share of the patient's own strength
 * where that may be told.
 */
function Load({ episode, line }: { episode: string; line: Schemas["Line"] }) {
  const story = useQuery({
    queryKey: queryKeys.story(episode),
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/story", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const mass = story.data?.story.mass_kg ?? 75,
    height = story.data?.story.height_cm ?? 175;
  const setup = {
    mass_kg: mass,
    height_m: height / 100,
    weight_kg: line.dose.load_kg ?? null,
    level: line.dose.elastic_level ?? null,
    distance_m: line.dose.distance_m ?? null,
    doubled: false,
  };
  const load = useQuery({
    queryKey: queryKeys.lineLoad(episode, line.exercise, setup),
    enabled: story.data !== undefined,
    queryFn: () =>
      ask(
        api.POST("/api/exercises/{exercise}/load", {
          params: { path: { exercise: line.exercise } },
          body: { setup, episode },
        }),
      ),
  });
  if (!load.data)
    return (
      <p className="small soft" id="line-load">
        {load.error ? t("load-none") : " "}
      </p>
    );
  const { view, share_pct, share_reason } = load.data;
  const body =
    story.data?.story.mass_kg == null
      ? t("load-assumed", { mass, height })
      : t("load-body", { mass, height });
  return (
    <p className="small num" id="line-load">
      {view.pull_n != null && view.setup.distance_m != null && (
        <b id="line-pull">
          {t("load-pull", {
            pull_n: Math.round(view.pull_n),
            metres: view.setup.distance_m,
          })}{" "}
        </b>
      )}
      <b>{t("load-peak", { peak_nm: view.curve.peak_nm.toFixed(1) })}</b>{" "}
      <span className="soft">{body}.</span>{" "}
      {share_pct != null ? (
        t("load-share", { percent: Math.round(share_pct) })
      ) : (
        <span className="soft">
          {share_reason ? sentence(share_reason) : ""}
        </span>
      )}
    </p>
  );
}
