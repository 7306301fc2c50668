import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link } from "react-router";
import { api, ask, newId, type Schemas } from "../app/client";
import { Pending, ProblemNote } from "../app/parts";
import { send } from "../app/queue";
import { attr, capital, nameOf, sentence, shortDate, t } from "../app/wording";
import { Beam, BeamScale, percent } from "../pictures/Beam";

type Card = Schemas["TestCard"];
type Page = Schemas["ReadingPage"];
type Answer = Schemas["TestAnswer"];
type Item = Schemas["PlanItem"];

/** An answer in words. */
export function answerText(answer: Answer, unit?: string | null): string {
  if (answer.kind === "word") return nameOf("found", answer.found);
  if (answer.kind === "could_not") return t("could-not");
  const name = unit ? nameOf("unit", unit) : "";
  return `${answer.value}${name === "°" ? name : ` ${name}`}`.replace("-", "−");
}

/** The four rooms of the examination. */
export function ExamineTabs({
  episode,
  at,
}: {
  episode: string;
  at: "tests" | "ranges" | "strength" | "scores";
}) {
  return (
    <span className="right" role="group" aria-label={t("nav-examine")}>
      {(["tests", "ranges", "strength", "scores"] as const).map((room) => (
        <Link
          key={room}
          className="chip plainchip unlined"

          aria-current={room === at ? "page" : undefined}
          to={`/e/${episode}/${room === "tests" ? "examine" : room}`}
        >
          {t(`examine-${room}`)}
        </Link>
      ))}
    </span>
  );
}

/** Tests in the order of the plan: one key an answer, and on to the next. */
export function Examine({
  episode,
  today,
}: {
  episode: string;
  today: string;
}) {
  const queries = useQueryClient();
  const cards = useQuery({
    queryKey: ["tests"],
    queryFn: () => ask(api.GET("/api/tests")),
    staleTime: Infinity,
  });
  const page = useQuery({
    queryKey: ["reading", episode],
    queryFn: () =>
      ask(
        api.GET("/api/episodes/{id}/reading", {
          params: { path: { id: episode } },
        }),
      ),
  });
  const [full, setFull] = useState(false);
  const [other, setOther] = useState(false);
  const [at, setAt] = useState<string>();
  const [typed, setTyped] = useState("");
  const [variant, setVariant] = useState(0);
  const [kept, setKept] = useState<
    { id: string; test: string; waits: boolean }[]
  >([]);
  const [error, setError] = useState<unknown>();
  const [keys, setKeys] = useState(false);
  const sequence = useRef({ sent: 0, shown: 0, pressed: 0 });
  const box = useRef<HTMLDivElement>(null);
  const byId = useMemo(
    () => new Map((cards.data ?? []).map((c) => [c.id, c])),
    [cards.data],
  );
  const waiting = useMemo(
    () => new Set(kept.filter((k) => k.waits).map((k) => k.test)),
    [kept],
  );
  const plan = useMemo(() => page.data?.view.plan ?? [], [page.data]);
  const groups = useMemo(() => {
    const take = (place: Item["place"]) =>
      plan.filter((i) => i.place === place);
    const worth = (i: Item) => full || i.worth;
    return {
      core: take("core"),
      optional: take("optional").filter(worth),
      done: take("done"),
      later: [...take("not_now"), ...take("too_provoking")],
      barred: take("barred"),
    };
  }, [plan, full]);
  const list = useMemo(
    () => [
      ...groups.core,
      ...(full ? groups.optional : groups.optional.slice(0, 6)),
      ...groups.done,
    ],
    [groups, full],
  );
  const open = useMemo(
    () => list.filter((i) => i.place !== "done" && !waiting.has(i.test)),
    [list, waiting],
  );
  const current = byId.get(
    at && plan.some((i) => i.test === at)
      ? at
      : (open[0]?.test ?? list[0]?.test ?? ""),
  );
  const story = page.data?.story;
  const affected = story?.side ?? "right";
  const side = other ? (affected === "left" ? "right" : "left") : affected;
  const of = useCallback(
    (test: string, which: string) =>
      page.data?.history.filter((f) => f.test === test && f.side === which) ??
      [],
    [page.data],
  );

  const apply = useCallback(
    (answer: Page | undefined, number: number) => {
      // Answers may come back out of order: an older one never replaces a newer.
      if (!answer || number < sequence.current.shown) return;
      sequence.current.shown = number;
      queries.setQueryData(["reading", episode], answer);
      for (const key of ["story", "day-list", "visit"])
        void queries.invalidateQueries({ queryKey: [key] });
    },
    [queries, episode],
  );

  const go = useCallback((test: string | undefined) => {
    setAt(test);
    setTyped("");
    setVariant(0);
  }, []);
  const step = useCallback(
    (by: number) => {
      const i = list.findIndex((x) => x.test === current?.id);
      go(list[(i + by + list.length) % list.length]?.test);
    },
    [list, current, go],
  );

  const keep = useCallback(
    async (test: Card, answer: Answer) => {
      const id = newId();
      const number = ++sequence.current.sent;
      sequence.current.pressed = performance.now();
      const finding = {
        id,
        test: test.id,
        side,
        answer,
        variant: test.variants[variant] ?? null,
        on: today,
      } as Schemas["TestFinding"];
      const i = open.findIndex((x) => x.test === test.id);
      go((open[i + 1] ?? open.find((x) => x.test !== test.id))?.test);
      setError(undefined);
      setKept((all) => [{ id, test: test.id, waits: true }, ...all]);
      try {
        const reply = (await send(
          `/api/episodes/${episode}/findings`,
          finding,
        )) as Page | undefined;
        if (reply)
          setKept((all) =>
            all.map((k) => (k.id === id ? { ...k, waits: false } : k)),
          );
        apply(reply, number);
      } catch (failure) {
        setKept((all) => all.filter((k) => k.id !== id));
        setError(failure);
        go(test.id);
        // What was typed stands there again, to be put right.
        if (answer.kind === "number") setTyped(String(answer.value));
      }
    },
    [side, variant, today, open, go, episode, apply],
  );

  const undo = useCallback(async () => {
    const last = kept[0];
    if (!last) return;
    const number = ++sequence.current.sent;
    try {
      const reply = (await send(`/api/episodes/${episode}/withdrawals`, {
        entry: last.id,
        kind: "finding",
        reason: "undo",
      })) as Page | undefined;
      setKept((all) => all.filter((k) => k.id !== last.id));
      go(last.test);
      apply(reply, number);
    } catch (failure) {
      setError(failure);
    }
  }, [kept, episode, apply, go]);

  const copy = useCallback(
    (from: Schemas["TestFinding"] | undefined) => {
      if (current && from) void keep(current, from.answer);
    },
    [current, keep],
  );
  const enterNumber = useCallback(() => {
    if (current && typed !== "" && typed !== "-")
      void keep(current, { kind: "number", value: Number(typed) });
  }, [current, typed, keep]);

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const typing =
        e.target instanceof HTMLElement &&
        /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (typing || e.ctrlKey || e.metaKey || e.altKey || !current) return;
      const numeric = current.answers.length === 0;
      const word = numeric ? undefined : current.answers[Number(e.key) - 1];
      if (numeric && /^[0-9.]$/.test(e.key))
        setTyped((now) => (now.length < 5 ? now + e.key : now));
      else if (numeric && e.key === "-")
        setTyped((now) => (now.startsWith("-") ? now.slice(1) : `-${now}`));
      else if (numeric && e.key === "Backspace")
        setTyped((now) => now.slice(0, -1));
      else if (numeric && e.key === "Enter" && typed !== "") enterNumber();
      else if (word) void keep(current, { kind: "word", found: word });
      else if (e.key === "x") void keep(current, { kind: "could_not" });
      else if (e.key === "=")
        copy(of(current.id, side === "left" ? "right" : "left").at(-1));
      else if (e.key === "r") copy(of(current.id, side).at(-1));
      else if (e.key === "c") {
        const neck = byId.get("neck-screen");
        if (neck) void keep(neck, { kind: "word", found: "nothing" });
      } else if (e.key === "o") {
        setOther((now) => !now);
        setTyped("");
      } else if (e.key === "f") setFull((now) => !now);
      else if (e.key === "v")
        setVariant((now) => (now + 1) % Math.max(1, current.variants.length));
      else if (e.key === "u") void undo();
      else if (e.key === "?") setKeys((now) => !now);
      else if (e.key === "Escape") {
        setTyped("");
        setKeys(false);
      } else if (e.key === "ArrowDown" || e.key === "n") step(1);
      else if (e.key === "ArrowUp") step(-1);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [current, typed, keep, enterNumber, copy, of, side, byId, undo, step]);

  useEffect(() => {
    // An entry that waited and was refused is told by the shell; its test comes back to the plan.
    const onRefused = () =>
      setKept((all) => all.map((k) => ({ ...k, waits: false })));
    window.addEventListener("ritorno-refused", onRefused);
    return () => window.removeEventListener("ritorno-refused", onRefused);
  }, []);

  useEffect(() => {
    // From the key to the moved beam on the screen, for docs/BENCH.md.
    const { pressed } = sequence.current;
    if (pressed > 0 && box.current)
      requestAnimationFrame(() => {
        if (box.current)
          box.current.dataset["answerMs"] = (
            performance.now() - pressed
          ).toFixed(1);
      });
    sequence.current.pressed = 0;
  }, [page.data]);

  if (!page.data || !cards.data || !story)
    return <Pending query={page.data ? cards : page} />;
  const view = page.data.view;
  const minutes = open.reduce((sum, i) => sum + i.minutes, 0);
  const ghosts = current
    ? of(current.id, side).filter((f) => f.on !== today)
    : [];
  const todays = current
    ? of(current.id, side).filter((f) => f.on === today)
    : [];
  const opposite = current
    ? of(current.id, side === "left" ? "right" : "left").at(-1)
    : undefined;
  const item = plan.find((i) => i.test === current?.id);
  const stopped =
    item &&
    ["barred", "not_now", "too_provoking"].includes(item.place) &&
    !other;
  const moved = view.hypotheses
    .filter((h) => h.steps.length > 0)
    .sort((a, b) => b.probability - a.probability);
  const weighed = (other ? view.other_findings : view.findings).find(
    (w) => w.finding.test === current?.id,
  );
  return (
    <div ref={box} id="examine">
      <div className="page-head">
        <h1>{t("examine-title")}</h1>
        <span className="soft num" id="minutes">
          {open.length === 0
            ? t("examine-plan-done")
            : t("examine-left", {
                minutes: Number(minutes.toFixed(1)),
                count: open.length,
              })}
        </span>
        <ExamineTabs episode={episode} at="tests" />
      </div>
      <div className="exam-bar" role="group" aria-label={t("examine-plan")}>
        <button
          className="chip plainchip"
          aria-pressed={!full}
          onClick={() => setFull(false)}
        >
          {t("examine-short")}
        </button>
        <button
          className="chip plainchip"
          aria-pressed={full}
          onClick={() => setFull(true)}
        >
          {t("examine-full")}
        </button>{" "}
        <kbd>f</kbd>
        <span className="gap" />
        {[false, true].map((o) => (
          <button
            key={String(o)}
            className="chip plainchip"
            aria-pressed={other === o}
            onClick={() => setOther(o)}
          >
            {t(o ? "examine-other" : "examine-affected", {
              side:
                o === false ? affected : affected === "left" ? "right" : "left",
            })}
          </button>
        ))}{" "}
        <kbd>o</kbd>
        <span className="gap" />
        {story.complaint ? (
          <span className="soft">{nameOf("complaint", story.complaint)}</span>
        ) : (
          <Link to={`/e/${episode}/story`}>{t("examine-no-complaint")}</Link>
        )}
        <button
          className="plain soft push-right"

          aria-expanded={keys}
          onClick={() => setKeys((now) => !now)}
        >
          <kbd>?</kbd> {t("keys")}
        </button>
      </div>
      {keys && (
        <div className="notice keys" id="keys">
          {(
            [
              "answer",
              "number",
              "could-not",
              "same-as-other",
              "repeat",
              "neck",
              "other",
              "full",
              "variant",
              "undo",
              "move",
            ] as const
          ).map((k) => (
            <span key={k}>
              <kbd>{attr(`key-${k}`, "key")}</kbd> {t(`key-${k}`)}
            </span>
          ))}
        </div>
      )}
      <ProblemNote error={error} />
      <div className="exam">
        <nav className="exam-list" aria-label={t("examine-plan")}>
          {(
            [
              ["core", groups.core],
              ["then", full ? groups.optional : groups.optional.slice(0, 6)],
              ["done", groups.done],
            ] as const
          ).map(
            ([name, items]) =>
              items.length > 0 && (
                <section key={name}>
                  <h3>
                    {t(`examine-${name}`)}{" "}
                    <span className="soft small num">{items.length}</span>
                  </h3>
                  {items.map((i) => {
                    const found = of(i.test, affected).at(-1);
                    return (
                      <button
                        key={i.test}
                        className={`exam-item${i.test === current?.id ? " on" : ""}`}
                        data-test={i.test}
                        aria-current={i.test === current?.id}
                        onClick={() => go(i.test)}
                      >
                        <span>{nameOf("test", i.test)}</span>
                        {i.place === "done" && found ? (
                          <b>
                            {answerText(found.answer, byId.get(i.test)?.unit)}
                          </b>
                        ) : waiting.has(i.test) ? (
                          <b>{t("sent")}</b>
                        ) : (
                          <span className="soft num">
                            {i.place === "optional" && i.gain_bits > 0
                              ? t("examine-bits", {
                                  bits: i.gain_bits.toFixed(2),
                                  minutes: i.minutes.toFixed(1),
                                })
                              : t("examine-min", { minutes: i.minutes })}
                          </span>
                        )}
                      </button>
                    );
                  })}
                </section>
              ),
          )}
          <Later name="later" items={groups.later} go={go} />
          <Later name="barred" items={groups.barred} go={go} />
        </nav>
        {current && (
          <section
            className="exam-card sheet"
            id="card"
            data-test={current.id}
            aria-live="polite"
          >
            <p className="soft small flush">
              {nameOf("region", current.region)} ·{" "}
              {nameOf("position", current.position)}
              {current.provocation >= 2 ? ` · ${t("provokes")}` : ""} ·{" "}
              <b className="strong-ink">{nameOf("side", side)}</b>
            </p>
            <h2 className="size-25">{nameOf("test", current.id)}</h2>
            <p className="size-17">{attr(`test-${current.id}`, "how")}</p>
            {attr(`test-${current.id}`, "hands") && (
              <p className="soft">
                {t("hands")}: {attr(`test-${current.id}`, "hands")}
              </p>
            )}
            {current.variants.length > 0 && (
              <p>
                <span className="soft">{t("variant")}:</span>{" "}
                {current.variants.map((v, i) => (
                  <button
                    key={v}
                    className="chip plainchip"
                    aria-pressed={i === variant}
                    onClick={() => setVariant(i)}
                  >
                    {nameOf("variant", v)}
                  </button>
                ))}{" "}
                <kbd>v</kbd>
              </p>
            )}
            {stopped ? (
              <div
                className={`notice${item.place === "barred" ? " stop" : " decide"}`}
                id="stopped"
              >
                <b>{t(`examine-${item.place.replaceAll("_", "-")}`)}</b>
                <ul>
                  {item.reasons.map((r) => (
                    <li key={sentence(r)}>{sentence(r)}</li>
                  ))}
                </ul>
              </div>
            ) : null}
            {!(stopped && item.place === "barred") && (
              <div
                className="exam-answers"
                role="group"
                aria-label={t("answers")}
              >
                {current.answers.map((found, i) => (
                  <button
                    key={found}
                    className="answer"
                    data-found={found}
                    onClick={() => void keep(current, { kind: "word", found })}
                  >
                    <kbd>{i + 1}</kbd> {capital(nameOf("found", found))}
                  </button>
                ))}
                {current.answers.length === 0 && (
                  <button className="answer number" onClick={enterNumber}>
                    <span className="num" id="typed">
                      {typed === "" ? "–" : typed.replace("-", "−")}
                    </span>{" "}
                    <span className="soft">
                      {current.unit ? nameOf("unit", current.unit) : ""}{" "}
                      <span className="small num">
                        {t("from-to", {
                          min: current.min ?? 0,
                          max: current.max ?? 0,
                        })}
                      </span>
                    </span>{" "}
                    <kbd>Enter</kbd>
                  </button>
                )}
                <button
                  className="answer could"
                  onClick={() => void keep(current, { kind: "could_not" })}
                >
                  <kbd>x</kbd> {t("could-not")}
                </button>
              </div>
            )}
            <div className="ghosts">
              {todays.map((f) => (
                <p key={f.id}>
                  <b>{t("found-today")}</b> {answerText(f.answer, current.unit)}
                </p>
              ))}
              {weighed?.unused && (
                <p className="bad">{sentence(weighed.unused)}</p>
              )}
              {ghosts.slice(-2).map((f) => (
                <p key={f.id} className="soft">
                  {t("found-on", { date: shortDate(f.on) })}{" "}
                  {answerText(f.answer, current.unit)}{" "}
                  {f === ghosts.at(-1) && (
                    <button className="plain" onClick={() => copy(f)}>
                      <kbd>r</kbd> {t("again-same")}
                    </button>
                  )}
                </p>
              ))}
              {opposite && (
                <p className="soft">
                  {t("other-side-found")}{" "}
                  {answerText(opposite.answer, current.unit)}{" "}
                  <button className="plain" onClick={() => copy(opposite)}>
                    <kbd>=</kbd> {t("same-here")}
                  </button>
                </p>
              )}
              {item && item.about.length > 0 && (
                <p className="soft small">
                  {t("speaks-about")}{" "}
                  {item.about.map((h) => nameOf("hypothesis", h)).join(", ")}
                </p>
              )}
            </div>
            {kept.length > 0 && (
              <p className="flush above-10">
                <button className="plain" id="undo" onClick={() => void undo()}>
                  <kbd>u</kbd> {t("undo")}:{" "}
                  {nameOf("test", kept[0]?.test ?? "")}
                </button>
              </p>
            )}
          </section>
        )}
        <aside className="exam-read" aria-label={t("nav-read")}>
          {view.operated ? (
            <p className="soft">{t("read-operated-lead")}</p>
          ) : (
            <>
              <h3>
                {t("examine-so-far")}{" "}
                <Link className="small" to={`/e/${episode}/read`}>
                  {t("nav-read")}
                </Link>
              </h3>
              {moved.length === 0 && (
                <p className="soft">{t("examine-nothing-yet")}</p>
              )}
              {moved.length > 0 && <BeamScale width={226} />}
              {moved.slice(0, 8).map((h) => (
                <div
                  key={h.hypothesis}
                  className="mini"
                  data-hypothesis={h.hypothesis}
                >
                  <span className="small">
                    {nameOf("hypothesis", h.hypothesis)}{" "}
                    <b className="num">{percent(h.probability)}</b>{" "}
                    {nameOf("word", h.word)}
                  </span>
                  <Beam
                    view={h}
                    width={226}
                    label={`${nameOf("hypothesis", h.hypothesis)}: ${percent(h.probability)}, ${nameOf("word", h.word)}`}
                  />
                </div>
              ))}
              {view.conditions
                .filter((c) => c.status === "met" || c.status === "range_only")
                .map((c) => (
                  <p key={c.condition} className="notice decide small">
                    {sentence({
                      rule:
                        c.status === "met"
                          ? "summary-criterion"
                          : "summary-criterion-range",
                      args: { condition: c.condition },
                    })}
                  </p>
                ))}
            </>
          )}
          {view.flags.map((f) => (
            <p key={f.flag} className="notice stop small">
              <b>{nameOf("tier", f.tier)}</b>{" "}
              {f.reason ? sentence(f.reason) : nameOf("flag", f.flag)}
            </p>
          ))}
        </aside>
      </div>
    </div>
  );
}

function Later({
  name,
  items,
  go,
}: {
  name: string;
  items: Item[];
  go: (test: string) => void;
}) {
  const [shown, setShown] = useState(false);
  if (items.length === 0) return null;
  return (
    <section>
      <button
        className="plain"
        aria-expanded={shown}
        onClick={() => setShown((now) => !now)}
      >
        <h3>
          {shown ? "▾" : "▸"} {t(`examine-${name}`)}{" "}
          <span className="soft small num">{items.length}</span>
        </h3>
      </button>
      {shown &&
        items.map((i) => (
          <button
            key={i.test}
            className="exam-item soft"
            data-test={i.test}
            onClick={() => go(i.test)}
          >
            <span>{nameOf("test", i.test)}</span>
          </button>
        ))}
    </section>
  );
}
