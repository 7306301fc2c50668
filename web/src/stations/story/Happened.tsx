import Button from "antd/es/button";
import Input from "antd/es/input";
import { useState } from "react";
import { api, ask, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { useFaulty } from "../../app/faulty";
import { Field, ProblemNote } from "../../app/parts";
import { Screened } from "../../app/Screened";
import { t } from "../../app/wording";
import { Choices } from "./Choices";
import { Course } from "./Course";
import { Health, Kit } from "./Health";
import { Person } from "./Person";
import { Tasks } from "./Tasks";

type Page = Schemas["StoryPage"];

/** The story as a form: saved whole, at the revision it was read at. */
export function Happened({
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
  const saver = useSaver();
  const faulty = useFaulty();
  const set = (part: Partial<Schemas["Story"]>) => {
    setStory((now) => ({ ...now, ...part }));
    onSaved(0);
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
        onSaved(next.rev);
        keep(next);
      })
      .catch(setError);
  };
  const part = { page, story, set, error, today };
  return (
    <section className="block">
      <h2>{t("story-happened")}</h2>
      <ProblemNote error={error} />
      <div className="sheet">
        <div className="form">
          <Course {...part} />
          <Person {...part} faulty={faulty} />
        </div>
        <Health
          page={page}
          chosen={story.health}
          onChange={(health) => set({ health })}
        />
        <Choices
          page={page}
          story={story}
          set={set}
          error={error}
          faulty={faulty}
        />
        <Tasks
          tasks={story.tasks}
          goals={page.goals}
          onChange={(tasks) => set({ tasks })}
          error={error}
          faulty={faulty}
        />
        <Kit
          kit={page.kit}
          chosen={story.kit}
          onChange={(kit) => set({ kit })}
        />
        <div className="above-14">
          <Field label={t("story-note")} name="story.note" error={error} wide>
            <Input.TextArea
              id="story-note"
              rows={3}
              value={story.note}
              onChange={(e) => set({ note: e.target.value })}
            />
          </Field>
          <Screened text={`${story.mechanism}\n${story.note}`} />
        </div>
        <p className="row above-14">
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
            <SaveMark state={saved ? "saved" : saver.state} />
          )}
        </p>
      </div>
    </section>
  );
}
