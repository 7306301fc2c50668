import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, newId, type Schemas } from "../app/client";
import { Field, missingFields, ProblemNote } from "../app/parts";
import { fits } from "./pathwayFits";
import {
  attr,
  capital,
  nameOf,
  sentence,
  shortDate,
  t,
  withUnit,
} from "../app/wording";

type Page = Schemas["StoryPage"];

export function Story({
  episode,
  page,
  today,
}: {
  episode: string;
  page: Page;
  today: string;
}) {
  const queries = useQueryClient();
  const [saved, setSaved] = useState(0);
  const keep = (next: Page) => {
    queries.setQueryData(["story", episode], next);
    for (const key of ["reading", "visit", "ranges", "program", "day-list"])
      void queries.invalidateQueries({ queryKey: [key] });
  };
  return (
    <>
      <div className="page-head">
        <h1>{t("story-title")}</h1>
        <span className="soft">{t("story-lead")}</span>
      </div>
      <Flags episode={episode} page={page} keep={keep} />
      <Happened
        key={page.rev}
        saved={saved === page.rev}
        onSaved={setSaved}
        episode={episode}
        page={page}
        keep={keep}
        today={today}
      />
      <Limits episode={episode} page={page} keep={keep} today={today} />
    </>
  );
}

function Flags({
  episode,
  page,
  keep,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
}) {
  const [error, setError] = useState<unknown>();
  const [done, setDone] = useState<Record<string, string>>({});
  const path = { params: { path: { id: episode } } };
  const answer = async (answers: Schemas["FlagReply"][]) => {
    setError(undefined);
    try {
      keep(
        await ask(
          api.POST("/api/episodes/{id}/flags", { ...path, body: { answers } }),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  const act = async (flag: string, closed: boolean) => {
    setError(undefined);
    try {
      keep(
        await ask(
          api.POST("/api/episodes/{id}/flag-actions", {
            ...path,
            body: { flag, action: done[flag] ?? "", closed },
          }),
        ),
      );
      setDone({ ...done, [flag]: "" });
    } catch (e) {
      setError(e);
    }
  };
  const open = page.flags.filter(
    (f) => f.state === "raised" || f.state === "queried",
  );
  const missing = page.flags.filter((f) => f.state === "not_asked");
  return (
    <section className="block" id="flags">
      <h2>
        {t("flags-title")}{" "}
        <span className="soft small">
          {missing.length > 0
            ? t("flags-missing", { count: missing.length })
            : t("flags-all-asked")}
        </span>
      </h2>
      <ProblemNote error={error} />
      {open.map((f) => (
        <div className="notice stop" key={f.flag} role="alert">
          <b>
            {nameOf("tier", f.tier)}: {nameOf("flag", f.flag)}
          </b>
          {f.reason && <p>{sentence(f.reason)}</p>}
          {f.state === "queried" ? (
            <p>
              <Button
                size="small"
                onClick={() =>
                  void answer([{ flag: f.flag, answer: "no", confirmed: true }])
                }
              >
                {t("flag-still-no")}
              </Button>{" "}
              <Button
                size="small"
                danger
                onClick={() =>
                  void answer([
                    { flag: f.flag, answer: "yes", confirmed: true },
                  ])
                }
              >
                {t("flag-yes-after-all")}
              </Button>
            </p>
          ) : (
            <>
              <p>
                {attr(`flag-${f.flag}`, "act")} {t("flag-paused")}
              </p>
              {f.last_action && (
                <p className="small">
                  {t("flag-last-action", { date: shortDate(f.last_action.on) })}{" "}
                  {f.last_action.action}
                </p>
              )}
              <div className="row w-760">
                <Input
                  id={`act-${f.flag}`}
                  aria-label={t("flag-what-done")}
                  placeholder={t("flag-what-done")}
                  value={done[f.flag] ?? ""}
                  onChange={(e) =>
                    setDone({ ...done, [f.flag]: e.target.value })
                  }
                />
                <Button onClick={() => void act(f.flag, false)}>
                  {t("flag-record")}
                </Button>
                <Button
                  type="primary"
                  id={`close-${f.flag}`}
                  onClick={() => void act(f.flag, true)}
                >
                  {t("flag-record-close")}
                </Button>
              </div>
            </>
          )}
        </div>
      ))}
      <div className="sheet">
        {missing.length > 1 && (
          <p>
            <Button
              id="all-no"
              onClick={() =>
                void answer(
                  missing.map((f) => ({
                    flag: f.flag,
                    answer: "no",
                    confirmed: false,
                  })),
                )
              }
            >
              {t("flags-asked-all-no", { count: missing.length })}
            </Button>{" "}
            <span className="soft small">{t("flags-read-out")}</span>
          </p>
        )}
        {page.flags
          .filter((f) => f.asked)
          .map((f) => {
            const yes = f.state === "raised" || f.state === "closed",
              no = f.state === "no" || f.state === "queried";
            return (
              <div className="flag-row" key={f.flag}>
                <span>
                  {nameOf("flag", f.flag)}{" "}
                  <span className="soft small">
                    {nameOf("tier", f.tier)}
                    {f.state === "closed" ? `, ${t("flag-closed")}` : ""}
                  </span>
                </span>
                <span
                  className="answers"
                  role="group"
                  aria-label={nameOf("flag", f.flag)}
                >
                  <button
                    className="yn"
                    aria-pressed={no}
                    onClick={() =>
                      void answer([
                        { flag: f.flag, answer: "no", confirmed: false },
                      ])
                    }
                  >
                    {t("no")}
                  </button>
                  <button
                    className="yn yes"
                    aria-pressed={yes}
                    onClick={() =>
                      void answer([
                        { flag: f.flag, answer: "yes", confirmed: false },
                      ])
                    }
                  >
                    {t("yes")}
                  </button>
                </span>
              </div>
            );
          })}
      </div>
    </section>
  );
}

function Happened({
  episode,
  page,
  keep,
  today,
  saved,
  onSaved,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
  today: string;
  saved: boolean;
  onSaved: (rev: number) => void;
}) {
  const [story, setStory] = useState(page.story);
  const [error, setError] = useState<unknown>();
  const set = (part: Partial<Schemas["Story"]>) => {
    setStory({ ...story, ...part });
    onSaved(0);
  };
  const flip = (list: string[], item: string, on: boolean) =>
    on ? [...list, item] : list.filter((i) => i !== item);
  const save = async () => {
    setError(undefined);
    try {
      const next = await ask(
        api.PUT("/api/episodes/{id}/story", {
          params: { path: { id: episode } },
          body: { rev: page.rev, story },
        }),
      );
      onSaved(next.rev);
      keep(next);
    } catch (e) {
      setError(e);
    }
  };
  const operated = story.start === "surgery";
  // After a dislocation or a fracture somebody else lets go first, too.
  const heals = ["dislocation", "fracture"].includes(
    page.pathways.find((p) => p.id === story.pathway)?.clock ?? "none",
  );
  return (
    <section className="block">
      <h2>{t("story-happened")}</h2>
      <ProblemNote error={error} />
      <div className="sheet">
        <div className="form">
          <Field
            label={t(operated ? "procedure" : "pathway")}
            name="story.pathway"
            error={error}
          >
            <select
              id="story-pathway"
              value={story.pathway}
              onChange={(e) =>
                set({ pathway: e.target.value, modifiers: [], schools: {} })
              }
            >
              {page.pathways
                .filter((p) => fits(p.clock, story.start ?? "surgery"))
                .map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.title ?? nameOf("pathway", p.id)}
                  </option>
                ))}
            </select>
          </Field>
          <Field label={t("story-start")} name="story.start">
            <select
              id="story-start"
              value={story.start}
              onChange={(e) => {
                const start = e.target.value as "surgery";
                set({
                  start,
                  modifiers: [],
                  schools: {},
                  pathway:
                    start === "surgery"
                      ? "cuff-repair-small-medium"
                      : "no-operation",
                });
              }}
            >
              {(["surgery", "injury", "gradual"] as const).map((v) => (
                <option key={v} value={v}>
                  {nameOf("start", v)}
                </option>
              ))}
            </select>
          </Field>
          <Field label={t("story-complaint")} name="story.complaint">
            <select
              id="story-complaint"
              value={story.complaint ?? ""}
              onChange={(e) =>
                set({
                  complaint:
                    e.target.value === ""
                      ? null
                      : (e.target.value as "raising"),
                })
              }
            >
              <option value="">{t("not-asked")}</option>
              {(
                [
                  "raising",
                  "weakness",
                  "slipping",
                  "stiffness",
                  "top",
                  "neck",
                ] as const
              ).map((v) => (
                <option key={v} value={v}>
                  {nameOf("complaint", v)}
                </option>
              ))}
            </select>
          </Field>
          <Field label={t("story-setting")} name="story.setting">
            <select
              value={story.setting}
              onChange={(e) => set({ setting: e.target.value as "primary" })}
            >
              {(["primary", "specialist"] as const).map((v) => (
                <option key={v} value={v}>
                  {nameOf("setting", v)}
                </option>
              ))}
            </select>
          </Field>
          <Field label={t("story-other-side")} name="story.other_side">
            <select
              value={story.other_side}
              onChange={(e) => set({ other_side: e.target.value as "sound" })}
            >
              {(["sound", "affected", "operated", "hypermobile"] as const).map(
                (v) => (
                  <option key={v} value={v}>
                    {nameOf("other-side", v)}
                  </option>
                ),
              )}
            </select>
          </Field>
          <Field
            label={t(
              story.start === "surgery"
                ? "day0"
                : story.start === "injury"
                  ? "day0-injury"
                  : "day0-first",
            )}
            name="story.day0"
            error={error}
          >
            <input
              type="date"
              id="story-day0"
              value={story.day0}
              max={today}
              onChange={(e) => set({ day0: e.target.value })}
            />
          </Field>
          <Field
            label={t(
              story.start === "surgery" ? "operated-side" : "affected-side",
            )}
            name="story.side"
          >
            <select
              value={story.side}
              onChange={(e) => set({ side: e.target.value as "left" })}
            >
              <option value="right">{t("side-right")}</option>
              <option value="left">{t("side-left")}</option>
            </select>
          </Field>
          <Field label={t("mass")} name="story.mass_kg" error={error}>
            <input
              className="native num"
              inputMode="decimal"
              value={story.mass_kg ?? ""}
              onChange={(e) =>
                set({
                  mass_kg:
                    e.target.value === "" ? null : Number(e.target.value),
                })
              }
            />
          </Field>
          <Field label={t("height")} name="story.height_cm" error={error}>
            <input
              className="native num"
              inputMode="decimal"
              value={story.height_cm ?? ""}
              onChange={(e) =>
                set({
                  height_cm:
                    e.target.value === "" ? null : Number(e.target.value),
                })
              }
            />
          </Field>
          <Field label={t("dominant-hand")} name="story.dominant">
            <select
              value={story.dominant}
              onChange={(e) => set({ dominant: e.target.value as "left" })}
            >
              <option value="right">{t("side-right")}</option>
              <option value="left">{t("side-left")}</option>
            </select>
          </Field>
          {(operated || heals) && (
            <Field
              label={t("clearance")}
              name="story.clearance.on"
              error={error}
            >
              <input
                type="date"
                id="clearance"
                value={story.clearance?.on ?? ""}
                max={today}
                onChange={(e) =>
                  set({
                    clearance: e.target.value
                      ? { role: "surgeon", on: e.target.value }
                      : null,
                  })
                }
              />
            </Field>
          )}
          {(operated || heals) && (
            <Field label={t("sling-worn")} name="story.sling_worn">
              <select
                id="sling"
                value={
                  story.sling_worn === null || story.sling_worn === undefined
                    ? ""
                    : String(story.sling_worn)
                }
                onChange={(e) =>
                  set({
                    sling_worn:
                      e.target.value === "" ? null : e.target.value === "true",
                  })
                }
              >
                <option value="">{t("not-asked")}</option>
                <option value="true">{t("sling-as-told")}</option>
                <option value="false">{t("sling-not")}</option>
              </select>
            </Field>
          )}
          <Field
            label={t("mechanism")}
            name="story.mechanism"
            error={error}
            wide
          >
            <Input
              id="story-mechanism"
              value={story.mechanism}
              onChange={(e) => set({ mechanism: e.target.value })}
            />
          </Field>
          <Field label={t("work-demands")} name="story.work" error={error} wide>
            <Input
              id="story-work"
              value={story.work}
              onChange={(e) => set({ work: e.target.value })}
            />
          </Field>
        </div>
        <h3 className="flush above-18 below-6">{t("health-title")}</h3>
        <div className="ticks">
          {page.health.map((h) => (
            <Checkbox
              key={h.id}
              checked={story.health.includes(h.id)}
              onChange={(e) =>
                set({ health: flip(story.health, h.id, e.target.checked) })
              }
            >
              {nameOf("health", h.id)}{" "}
              <span className="soft small">
                {[
                  ...(h.strength_delay_weeks > 0
                    ? [t("health-delay", { weeks: h.strength_delay_weeks })]
                    : []),
                  ...(h.max_age_days != null
                    ? [t("health-ranges", { days: h.max_age_days })]
                    : []),
                ].join(", ")}
              </span>
            </Checkbox>
          ))}
        </div>
        <p className="soft small above-4">{t("health-longest")}</p>
        <Choices page={page} story={story} set={set} error={error} />
        <h3 className="flush above-14 below-6">{t("tasks-title")}</h3>
        {story.tasks.map((task, i) => (
          <div key={i} className="task-row">
            <Input
              aria-label={t("task-label")}
              value={task.label}
              onChange={(e) =>
                set({
                  tasks: story.tasks.map((x, j) =>
                    j === i ? { ...x, label: e.target.value } : x,
                  ),
                })
              }
            />
            <select
              className="native"
              aria-label={t("task-asks")}
              value={task.asks ?? ""}
              onChange={(e) =>
                set({
                  tasks: story.tasks.map((x, j) =>
                    j === i ? { ...x, asks: e.target.value || null } : x,
                  ),
                })
              }
            >
              <option value="">{t("task-asks-none")}</option>
              {page.goals.map((g) => (
                <option key={g} value={g}>
                  {capital(nameOf("need", g))}
                </option>
              ))}
            </select>
            <input
              className="native"
              type="number"
              min={0}
              max={10}
              aria-label={t("task-score")}
              value={task.score}
              onChange={(e) =>
                set({
                  tasks: story.tasks.map((x, j) =>
                    j === i ? { ...x, score: Number(e.target.value) } : x,
                  ),
                })
              }
            />
            <Button
              onClick={() =>
                set({ tasks: story.tasks.filter((_, j) => j !== i) })
              }
            >
              {t("remove")}
            </Button>
          </div>
        ))}
        <Button
          size="small"
          id="add-task"
          onClick={() =>
            set({
              tasks: [...story.tasks, { label: "", score: 0, asks: null }],
            })
          }
        >
          {t("task-add")}
        </Button>{" "}
        <span className="soft small">{t("task-scale")}</span>
        <h3 className="flush above-14 below-6">{t("kit-title")}</h3>
        <div className="ticks">
          {page.kit.map((k) => (
            <Checkbox
              key={k}
              checked={story.kit.includes(k)}
              onChange={(e) =>
                set({ kit: flip(story.kit, k, e.target.checked) })
              }
            >
              {capital(nameOf("kit", k))}
            </Checkbox>
          ))}
        </div>
        <div className="above-14">
          <Field label={t("story-note")} name="story.note" error={error} wide>
            <Input.TextArea
              id="story-note"
              rows={3}
              value={story.note}
              onChange={(e) => set({ note: e.target.value })}
            />
          </Field>
        </div>
        <p className="above-14">
          <Button type="primary" id="save-story" onClick={() => void save()}>
            {t("save-story")}
          </Button>{" "}
          {saved && <span role="status">{t("saved")}</span>}
        </p>
      </div>
    </section>
  );
}

/** What else was done, what time there is, and where practitioners disagree. */
function Choices({
  page,
  story,
  set,
  error,
}: {
  page: Page;
  story: Schemas["Story"];
  set: (part: Partial<Schemas["Story"]>) => void;
  error: unknown;
}) {
  const number = (text: string) => (text === "" ? null : Number(text));
  const saved = story.pathway === page.story.pathway;
  const schools = story.schools ?? {},
    modifiers = story.modifiers ?? [];
  return (
    <>
      {saved && page.modifiers.length > 0 && (
        <>
          <h3 className="flush above-14 below-6">
            {t("modifiers-title")}{" "}
            <span className="soft small">{t("modifiers-lead")}</span>
          </h3>
          <div className="ticks">
            {page.modifiers.map((m) => (
              <Checkbox
                key={m}
                checked={modifiers.includes(m)}
                onChange={(e) =>
                  set({
                    modifiers: e.target.checked
                      ? [...modifiers, m]
                      : modifiers.filter((x) => x !== m),
                  })
                }
              >
                {nameOf("modifier", m)}
              </Checkbox>
            ))}
          </div>
        </>
      )}
      <h3 className="flush above-14 below-6">{t("time-title")}</h3>
      <div className="form">
        <Field
          label={t("minutes-per-day")}
          name="story.minutes_per_day"
          error={error}
        >
          <input
            className="native num"
            id="minutes-per-day"
            inputMode="numeric"
            value={story.minutes_per_day ?? ""}
            onChange={(e) => set({ minutes_per_day: number(e.target.value) })}
          />
        </Field>
        <Field label={t("job-load")} name="story.job_load_kg" error={error}>
          <input
            className="native num"
            inputMode="decimal"
            value={story.job_load_kg ?? ""}
            onChange={(e) => set({ job_load_kg: number(e.target.value) })}
          />
        </Field>
        <Field
          label={t("job-overhead")}
          name="story.job_overhead_h"
          error={error}
        >
          <input
            className="native num"
            inputMode="decimal"
            value={story.job_overhead_h ?? ""}
            onChange={(e) => set({ job_overhead_h: number(e.target.value) })}
          />
        </Field>
        <Field
          label={t("slips-per-week")}
          name="story.slips_per_week"
          error={error}
        >
          <input
            className="native num"
            inputMode="numeric"
            value={story.slips_per_week ?? ""}
            onChange={(e) => set({ slips_per_week: number(e.target.value) })}
          />
        </Field>
      </div>
      {saved && page.questions.length > 0 && (
        <>
          <h3 className="flush above-14 below-6">
            {t("schools-title")}{" "}
            <span className="soft small">{t("schools-lead")}</span>
          </h3>
          <div className="schools">
            {page.questions.map((q) => {
              const holds =
                schools[q.id] ??
                q.schools.find((s) => s.default)?.id ??
                q.holds;
              return (
                <label className="school" key={q.id}>
                  <span>{nameOf("question", q.id)}</span>
                  <select
                    className="native"
                    id={`school-${q.id}`}
                    value={holds}
                    onChange={(e) =>
                      set({ schools: { ...schools, [q.id]: e.target.value } })
                    }
                  >
                    {q.schools.map((s) => (
                      <option key={s.id} value={s.id}>
                        {nameOf("school", s.id)}
                        {s.default ? ` (${t("school-default")})` : ""}
                      </option>
                    ))}
                  </select>
                  <span className="soft small">
                    {t(`why-${holds}`)}{" "}
                    {t("school-source", {
                      source:
                        q.schools.find((s) => s.id === holds)?.source ?? "",
                      confidence:
                        q.schools.find((s) => s.id === holds)?.confidence ?? "",
                    })}
                  </span>
                </label>
              );
            })}
          </div>
        </>
      )}
    </>
  );
}

function Limits({
  episode,
  page,
  keep,
  today,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
  today: string;
}) {
  const empty = {
    quantity: "passive-elevation",
    ceiling: "",
    floor: "",
    until: "42",
    release: false,
    on: today,
  };
  const [form, setForm] = useState(empty);
  const [error, setError] = useState<unknown>();
  const add = async () => {
    if (form.ceiling.trim() === "") {
      setError(missingFields(["ceiling"]));
      return;
    }
    setError(undefined);
    try {
      keep(
        await ask(
          api.POST("/api/episodes/{id}/limits", {
            params: { path: { id: episode } },
            body: {
              id: newId(),
              quantity: form.quantity,
              ceiling: Number(form.ceiling),
              floor: form.floor === "" ? null : Number(form.floor),
              until_day: form.until === "" ? null : Number(form.until),
              release: form.release ? { role: "surgeon", on: form.on } : null,
              ended_on: null,
            },
          }),
        ),
      );
      setForm(empty);
    } catch (e) {
      setError(e);
    }
  };
  const end = async (limit: string) => {
    setError(undefined);
    try {
      keep(
        await ask(
          api.POST("/api/episodes/{id}/limits/{limit}/end", {
            params: { path: { id: episode, limit } },
          }),
        ),
      );
    } catch (e) {
      setError(e);
    }
  };
  return (
    <section className="block" id="limits">
      <h2>
        {t("limits-title")}{" "}
        <span className="soft small">{t("limits-lead")}</span>
      </h2>
      <ProblemNote error={error} />
      <div className="sheet">
        <table className="criteria">
          <tbody>
            {page.limits.map((l) => (
              <tr key={l.id}>
                <td className="w-auto">
                  {capital(nameOf("quantity", l.quantity))}
                </td>
                <td className="num">
                  <b>
                    {t("limit-up-to", {
                      ceiling: withUnit(l.quantity, l.ceiling),
                    })}
                  </b>
                  {l.floor != null
                    ? `, ${t("limit-at-least", { floor: withUnit(l.quantity, l.floor) })}`
                    : ""}
                </td>
                <td className="num">
                  {l.until_day != null
                    ? t("limit-until", { day: l.until_day })
                    : t("limit-open")}
                  {l.release
                    ? ` · ${t("limit-release", { date: shortDate(l.release.on) })}`
                    : ""}
                </td>
                <td>
                  {l.ended_on ? (
                    t("limit-ended", { date: shortDate(l.ended_on) })
                  ) : l.until_day != null && page.clock.day >= l.until_day ? (
                    <Button size="small" onClick={() => void end(l.id)}>
                      {t("limit-confirm-end")}
                    </Button>
                  ) : (
                    t("limit-in-force")
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {page.limits.length === 0 && <p className="soft">{t("limits-none")}</p>}
        <div className="form above-12">
          <Field label={t("limit-movement")} name="quantity" error={error}>
            <select
              id="limit-quantity"
              value={form.quantity}
              onChange={(e) => setForm({ ...form, quantity: e.target.value })}
            >
              {page.dials.map((d) => (
                <option key={d.quantity} value={d.quantity}>
                  {capital(nameOf("quantity", d.quantity))}
                </option>
              ))}
            </select>
          </Field>
          <Field label={t("limit-ceiling")} name="ceiling" error={error}>
            <input
              className="native num"
              id="limit-ceiling"
              inputMode="decimal"
              value={form.ceiling}
              onChange={(e) => setForm({ ...form, ceiling: e.target.value })}
            />
          </Field>
          <Field label={t("limit-floor")} name="floor" error={error}>
            <input
              className="native num"
              id="limit-floor"
              inputMode="decimal"
              value={form.floor}
              onChange={(e) => setForm({ ...form, floor: e.target.value })}
            />
          </Field>
          <Field label={t("limit-until-day")} name="until_day" error={error}>
            <input
              className="native num"
              id="limit-until"
              inputMode="numeric"
              value={form.until}
              onChange={(e) => setForm({ ...form, until: e.target.value })}
            />
          </Field>
          <Checkbox
            className="tall"
            checked={form.release}
            onChange={(e) => setForm({ ...form, release: e.target.checked })}
          >
            {t("limit-is-release")}
          </Checkbox>
          <Button id="add-limit" onClick={() => void add()}>
            {t("limit-add")}
          </Button>
        </div>
      </div>
    </section>
  );
}
