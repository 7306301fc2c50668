import { useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Select from "antd/es/select";
import { useState } from "react";
import { api, ask, newId, type Schemas } from "../../../app/client";
import { DraftMark, DraftNotes } from "../../../app/DraftNotes";
import { useDraft, useDraftKey } from "../../../app/drafts";
import { SaveMark, useSaver } from "../../../app/entries";
import { ProblemNote } from "../../../app/parts";
import { renew } from "../../../app/queryKeys";
import { HALF_HOUR_OPTIONS, hourAndMinute } from "../../../app/times";
import { t } from "../../../app/wording";
import { pathTo } from "../../../app/pathTo";
import { toggled } from "./days";

interface Said {
  days: boolean[];
  times: string[];
}

const WEEK = [1, 2, 3, 4, 5, 6, 7];

/** What another window holds, in words. */
const inWords = ({ days, times }: Said) =>
  [
    WEEK.filter((day) => days[day - 1]).map((day) => t(`weekday-${day}`)),
    times.map(hourAndMinute),
  ]
    .map((part) => part.join(" "))
    .join(", ");

/** The days and hours that suit the patient: kept as they say it, the newest counts. */
export function Hours({
  episode,
  page,
  today,
}: {
  episode: string;
  page: Schemas["WeekPage"];
  today: string;
}) {
  const queries = useQueryClient();
  const saver = useSaver();
  const [error, setError] = useState<unknown>();
  const { hours } = page;
  const draft = useDraft<Said>(useDraftKey("home-hours"), {
    value: {
      days: hours?.days ?? WEEK.map(() => true),
      times: hours?.times ?? [],
    },
    rev: page.rev,
  });
  const { days, times } = draft.value;
  const set = (part: Partial<Said>) => {
    saver.touch();
    draft.set((now) => ({ ...now, ...part }));
  };
  const keep = () => {
    setError(undefined);
    const sent = draft.value;
    saver
      .run(async () => {
        const next = await ask(
          api.POST("/api/episodes/{id}/home-hours", {
            ...pathTo(episode),
            body: { id: newId(), on: today, ...sent },
          }),
        );
        draft.handedIn(sent, next.rev);
        renew(queries, ["week", "timeline"]);
      })
      .catch(setError);
  };
  return (
    <div className="home-hours no-print" id="home-hours">
      <DraftNotes draft={draft} says={inWords} />
      <fieldset className="row wrap flush">
        <legend>{t("plan-week-suits")}</legend>
        {WEEK.map((day) => (
          <Checkbox
            key={day}
            id={`suits-${day}`}
            checked={days[day - 1] ?? false}
            onChange={() => {
              const next = toggled(days, day);
              if (next) set({ days: next });
            }}
          >
            {t(`weekday-${day}`)}
          </Checkbox>
        ))}
        <Select
          mode="multiple"
          virtual={false}
          id="home-times"
          className="home-times"
          aria-label={t("plan-week-times")}
          placeholder={t("plan-week-times")}
          value={times}
          maxCount={page.most_times}
          options={HALF_HOUR_OPTIONS}
          optionRender={(option) => (
            <span data-value={option.value}>{option.label}</span>
          )}
          onChange={(next: string[]) => set({ times: [...next].sort() })}
        />
        {(draft.dirty || page.rev === 0) && (
          <Button
            id="keep-hours"
            type="primary"
            disabled={saver.busy}
            onClick={keep}
          >
            {t("plan-week-keep")}
          </Button>
        )}
        <SaveMark state={saver.state} />
        <DraftMark draft={draft} />
      </fieldset>
      <ProblemNote error={error} />
    </div>
  );
}
