import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Drawer from "antd/es/drawer";
import { useRef, useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { Pending, ProblemNote } from "../../app/parts";
import { nameOf, t } from "../../app/wording";
import { grouped } from "./schoolGroups";
import { Changes } from "./WhatIf";
import { Notice } from "../../app/Notice";
import { queryKeys, renew } from "../../app/queryKeys";

type Page = Schemas["StoryPage"];
type Both = Schemas["WhatIf"];

/**
 * Where practitioners disagree, beside the plan that it changes: another school is tried on the plan at once,
 * and holds only
 * when it is kept.
 */
export function Schools({
  episode,
  onTry,
  onHeld,
  onClose,
}: {
  episode: string;
  /** The plan as the tried schools would make it; nothing while the held ones are shown. */
  onTry: (plan: Schemas["PlanChart"] | undefined) => void;
  onHeld: () => void;
  onClose: () => void;
}) {
  const queries = useQueryClient();
  const key = queryKeys.story(episode);
  const path = { params: { path: { id: episode } } };
  const story = useQuery({
    queryKey: key,
    queryFn: () => ask(api.GET("/api/episodes/{id}/story", path)),
  });
  const [tried, setTried] = useState<Record<string, string>>({});
  const [both, setBoth] = useState<Both>();
  const [error, setError] = useState<unknown>();
  const saver = useSaver();
  const page = story.data;
  // Trying keeps nothing, so nothing is said to be saved; an answer that was overtaken is not shown.
  const turn = useRef(0);
  const rest = () => {
    turn.current++;
    setTried({});
    setBoth(undefined);
    onTry(undefined);
  };
  const attempt = async (schools: Record<string, string>) => {
    const mine = ++turn.current;
    setTried(schools);
    setError(undefined);
    saver.touch();
    try {
      const found = await ask(
        api.POST("/api/episodes/{id}/program/what-if", {
          ...path,
          body: {
            schools,
            modifiers: [],
            minutes_per_day: null,
            missed_days: null,
            limits: [],
          },
        }),
      );
      if (mine !== turn.current) return;
      setBoth(found);
      onTry(found.variant);
    } catch (failure) {
      setError(failure);
    }
  };
  const hold = (now: Page) =>
    saver
      .run(async () => {
        const next = await ask(
          api.PUT("/api/episodes/{id}/story", {
            ...path,
            body: {
              rev: now.rev,
              story: {
                ...now.story,
                schools: { ...now.story.schools, ...tried },
              },
            },
          }),
        );
        queries.setQueryData(key, next);
        rest();
        renew(queries, ["program", "visit", "reading", "ranges", "day-list"]);
        onHeld();
      })
      .catch(setError);
  const trying = Object.keys(tried).length > 0;
  return (
    <Drawer
      open
      mask={false}
      title={t("schools-title")}
      size={400}
      onClose={() => {
        onTry(undefined);
        onClose();
      }}
      id="schools"
    >
      <p className="soft small">{t("schools-lead")}</p>
      <ProblemNote error={error} />
      {trying && (
        <Notice id="school-effect" kind="decide">
          <b>{t("schools-tried")}</b>
          {both && <Changes both={both} />}
          <p className="row wrap flush above-8">
            <Button
              type="primary"
              id="hold-schools"
              disabled={saver.busy || !page}
              onClick={() => page && void hold(page)}
            >
              {t("schools-keep")}
            </Button>
            <Button onClick={rest}>{t("schools-back")}</Button>
            <SaveMark state={saver.state} />
          </p>
        </Notice>
      )}
      {!page && <Pending query={story} />}
      {page?.questions.length === 0 && <p>{t("schools-none")}</p>}
      {page &&
        grouped(page.questions).map(([group, questions]) => (
          <section key={group} className="above-14">
            <h3>{t(`school-group-${group}`)}</h3>
            {questions.map((q) => (
              <Question
                key={q.id}
                question={q}
                holds={
                  tried[q.id] ??
                  page.story.schools?.[q.id] ??
                  q.schools.find((s) => s.default)?.id ??
                  q.holds
                }
                onChoose={(school) =>
                  void attempt({ ...tried, [q.id]: school })
                }
              />
            ))}
          </section>
        ))}
    </Drawer>
  );
}

/** A question, the school that holds, and why one would hold it. */
function Question({
  question: q,
  holds,
  onChoose,
}: {
  question: Page["questions"][number];
  holds: string;
  onChoose: (id: string) => void;
}) {
  const school = q.schools.find((s) => s.id === holds);
  return (
    <div className="school">
      <label htmlFor={`school-${q.id}`}>{nameOf("question", q.id)}</label>
      <Choose
        id={`school-${q.id}`}
        value={holds}
        onChange={onChoose}
        options={q.schools.map((s) => ({
          value: s.id,
          label: `${nameOf("school", s.id)}${s.default ? ` (${t("school-default")})` : ""}`,
        }))}
      />
      <span className="soft small">
        {t(school?.why ?? "")}{" "}
        {t("school-source", {
          source: school?.source ?? "",
          confidence: school?.confidence ?? "",
        })}
      </span>
    </div>
  );
}
