import Button from "antd/es/button";
import Form from "antd/es/form";
import Input from "antd/es/input";
import { InTurn } from "../../app/InTurn";
import { type ReactNode, useState } from "react";
import { api, ApiProblem, ask, type Schemas } from "../../app/client";
import { DraftForm } from "../../app/DraftForm";
import { DraftMark, DraftNotes } from "../../app/DraftNotes";
import { useDraft, useDraftKey } from "../../app/drafts";
import { SaveMark, useSaver } from "../../app/entries";
import { useFaulty } from "../../app/faulty";
import { faultAt, ProblemNote } from "../../app/parts";
import { Screened } from "../../app/Screened";
import { nameOf, t } from "../../app/wording";
import { asksNext } from "./asks";
import { Beside } from "./Beside";
import { Complaint } from "./Complaint";
import { Course } from "./Course";
import { Health } from "./Health";
import { Rest } from "./Rest";
import { Work } from "./Work";

type Page = Schemas["StoryPage"];

/** The story in the order of talk: kept at every stroke, saved whole, at the revision it was read at. */
export function Happened({
  episode,
  page,
  keep,
  today,
  flags,
  onStale,
}: {
  episode: string;
  page: Page;
  keep: (p: Page) => void;
  today: string;
  /** The questions that stand first, with a place for words beside them. */
  flags: (beside: ReactNode) => ReactNode;
  /** Somebody saved meanwhile: the page is read again. */
  onStale: () => void;
}) {
  const draft = useDraft(useDraftKey("story"), {
    value: page.story,
    rev: page.rev,
  });
  const story = draft.value;
  const [error, setError] = useState<unknown>();
  const saver = useSaver();
  const faulty = useFaulty();
  const set = (part: Partial<Schemas["Story"]>) => {
    draft.set((now) => ({ ...now, ...part }));
    saver.touch();
  };
  const save = () => {
    setError(undefined);
    if (!faulty.clear()) return;
    saver
      .run(async () => {
        const next = await ask(
          api.PUT("/api/episodes/{id}/story", {
            params: { path: { id: episode } },
            body: { rev: page.rev, story },
          }),
        );
        draft.handedIn(story, next.rev);
        keep(next);
      })
      .catch((failure: unknown) => {
        setError(failure);
        if (failure instanceof ApiProblem && failure.problem.status === 409)
          onStale();
      });
  };
  const fault = (field: string) => faultAt(error, `story.${field}`);
  const part = { page, story, set, today };
  const save_bar = (
    <div className="row wrap save-bar" data-dirty={draft.dirty}>
      <Button
        type="primary"
        id="save-story"
        loading={saver.busy}
        onClick={save}
      >
        {t("save-story")}
      </Button>
      {faulty.held ? (
        <span className="bad" role="alert">
          {t("held-by-number")}
        </span>
      ) : (
        <SaveMark state={saver.state} />
      )}
      <DraftMark draft={draft} />
    </div>
  );
  return (
    <section id="told">
      <DraftNotes
        draft={draft}
        says={(other) => whatDiffers(other, page.story)}
        field={fieldName}
        fieldSays={fieldSays}
      />
      <ProblemNote error={error} />
      <DraftForm
        name="story"
        draft={draft}
        error={error}
        under="story"
        onTouch={saver.touch}
      >
        <InTurn>
          {flags(<Beside name="flag_words" story={story} />)}
          <AskNext asks={asksNext(page, story)} />
          <Part title={t("story-happened")}>
            <Course {...part} />
          </Part>
          <Part title={t("story-side-complaint")}>
            <Complaint {...part} faulty={faulty} fault={fault} />
            <Beside name="complaint_words" story={story} />
          </Part>
          <Part title={t("story-work-tasks")}>
            <Work {...part} error={error} faulty={faulty} fault={fault} />
          </Part>
          <Part title={t("health-title")}>
            <Health
              page={page}
              chosen={story.health}
              onChange={(health) => set({ health })}
            />
            <Beside name="health_words" story={story} />
          </Part>
          <Part title={t("story-note")}>
            <Form.Item name="note">
              <Input.TextArea aria-label={t("story-note")} rows={3} />
            </Form.Item>
            <Screened text={story.note} />
          </Part>
          <Rest {...part} faulty={faulty} fault={fault} />
        </InTurn>
      </DraftForm>
      {save_bar}
    </section>
  );
}

function Part({
  title,
  children,
}: {
  title: string;
  children: React.ReactNode;
}) {
  return (
    <div className="sheet story-part">
      <h2>{title}</h2>
      {children}
    </div>
  );
}

/** What is worth asking next, each a key that leads to its place. */
function AskNext({ asks }: { asks: ReturnType<typeof asksNext> }) {
  const [next, ...later] = asks;
  if (!next) return null;
  const go = (at: string) => {
    const place = document.getElementById(at);
    place?.scrollIntoView({ block: "center" });
    const field = place?.matches("input, textarea, button")
      ? place
      : place?.querySelector<HTMLElement>("input, textarea, button");
    field?.focus();
  };
  return (
    <div className="row wrap ask-next" id="ask-next">
      <b>{t("ask-next")}</b>
      <Button type="primary" ghost onClick={() => go(next.at)}>
        {t(next.what)}
      </Button>
      {later.map((a) => (
        <Button key={a.what} type="text" onClick={() => go(a.at)}>
          {t(a.what)}
        </Button>
      ))}
    </div>
  );
}

const fieldName = (name: string) => {
  const said = nameOf("field", name);
  return said === name ? name.replaceAll("_", " ") : said;
};

/** What a field of a story says, in words. */
function fieldSays(name: string, value: unknown): string {
  const named: Record<string, string> = {
    pathway: "pathway",
    start: "start",
    setting: "setting",
    reads: "language",
    complaint: "complaint",
    other_side: "other-side",
    side: "side",
    dominant: "side",
    health: "health",
    kit: "kit",
    modifiers: "modifier",
  };
  const kind = named[name];
  if (value == null || value === "" || (Array.isArray(value) && !value.length))
    return t("draft-nothing");
  if (Array.isArray(value))
    return value
      .map((v: unknown) =>
        typeof v === "string"
          ? nameOf(kind ?? "", v)
          : (v as { label: string }).label,
      )
      .join(", ");
  if (typeof value === "object")
    return Object.values(value as Record<string, unknown>)
      .map((v) => (typeof v === "string" ? nameOf("school", v) : String(v)))
      .join(", ");
  const text = String(value as string | number | boolean);
  return kind ? nameOf(kind, text) : text;
}

/** What another window changed, field by field. */
function whatDiffers(other: Schemas["Story"], record: Schemas["Story"]) {
  const [theirs, kept] = [other, record] as unknown as Record<
    string,
    unknown
  >[];
  return Object.keys(theirs ?? {})
    .filter((k) => JSON.stringify(theirs?.[k]) !== JSON.stringify(kept?.[k]))
    .map((k) => `${fieldName(k)}: ${fieldSays(k, theirs?.[k])}`)
    .join("\n");
}
