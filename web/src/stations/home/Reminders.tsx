import { useQuery, useQueryClient } from "@tanstack/react-query";
import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, type Schemas } from "../../app/client";
import { DraftMark, DraftNotes } from "../../app/DraftNotes";
import { useDraft, useDraftKey } from "../../app/drafts";
import { SaveMark, useSaver } from "../../app/entries";
import { Field } from "../../app/Field";
import { Notice } from "../../app/Notice";
import { faultAt, Pending, ProblemNote } from "../../app/parts";
import { queryKeys } from "../../app/queryKeys";
import { HALF_HOUR_OPTIONS } from "../../app/times";
import { useTold } from "../../app/useTold";
import { moment, shortDate, t } from "../../app/wording";
import { pathTo } from "../../app/pathTo";

type Page = Schemas["RemindersPage"];
type Reminding = Schemas["Reminding"];

/** When the day's exercises are reminded of, where nobody has chosen yet: after work. */
const AFTER_WORK = "18:00:00";
const NONE = "none";

/** What the patient agreed to be sent, and what was. */
export function Reminders({ episode }: { episode: string }) {
  const page = useQuery({
    queryKey: queryKeys.reminders(episode),
    queryFn: () =>
      ask(api.GET("/api/episodes/{id}/reminders", pathTo(episode))),
  });
  if (!page.data) return <Pending query={page} />;
  return <Agreed episode={episode} page={page.data} />;
}

/** What was chosen in another window, in words. */
const said = (other: Reminding) =>
  `${t(`remind-${other.channel ?? NONE}`)} ${other.address}`;

/** Since when what stands stands, in one sentence. */
function since(page: Page): string {
  if (!page.since) return t("remind-never");
  const date = { date: shortDate(page.since.slice(0, 10)) };
  if (page.reminding.channel) return t("remind-since", date);
  return t(page.by_patient ? "remind-ended-by-patient" : "remind-ended", date);
}

function Agreed({ episode, page }: { episode: string; page: Page }) {
  const queries = useQueryClient();
  const draft = useDraft<Reminding>(useDraftKey("reminders"), {
    value: page.reminding,
    rev: page.rev,
  });
  const saver = useSaver();
  const [tell, place] = useTold();
  const [agreed, setAgreed] = useState(false);
  const [error, setError] = useState<unknown>();
  const reminding = draft.value;
  const set = (part: Partial<Reminding>) => {
    saver.touch();
    draft.set((now) => ({ ...now, ...part }));
  };
  const keep = () => {
    setError(undefined);
    const sent = draft.value;
    saver
      .run(async () => {
        const next = await ask(
          api.PUT("/api/episodes/{id}/reminders", {
            ...pathTo(episode),
            body: { rev: page.rev, reminding: sent, agreed },
          }),
        );
        draft.handedIn(sent, next.rev);
        setAgreed(false);
        queries.setQueryData(queryKeys.reminders(episode), next);
        if (next.reminding.channel) tell(t("remind-kept"));
      })
      .catch((failure: unknown) => {
        setError(failure);
        void queries.invalidateQueries({
          queryKey: queryKeys.reminders(episode),
        });
      });
  };
  const way = reminding.channel ?? NONE;
  return (
    <section className="sheet above-22" id="reminders">
      {place}
      <h2 className="flush below-8">{t("remind-title")}</h2>
      <p className="soft small">{t("remind-lead")}</p>
      {!page.service && <Notice>{t("remind-no-service")}</Notice>}
      <DraftNotes draft={draft} says={said} />
      <div className="row wrap">
        <Segmented
          aria-label={t("remind-way")}
          value={way}
          options={[NONE, "text", "mail"].map((value) => ({
            value,
            label: t(`remind-${value}`),
          }))}
          onChange={(next: string) =>
            set(
              next === NONE
                ? { channel: null, address: "" }
                : { channel: next as "text" | "mail" },
            )
          }
        />
        <span className="soft small" id="reminders-since">
          {since(page)}
        </span>
      </div>
      {reminding.channel && (
        <div className="reminders above-8">
          <Field
            label={t(way === "mail" ? "remind-address" : "remind-number")}
            name="reminding.address"
            error={error}
          >
            <Input
              id="remind-to"
              type={way === "mail" ? "email" : "tel"}
              autoComplete="off"
              value={reminding.address}
              onChange={(e) => set({ address: e.target.value })}
            />
          </Field>
          <div className="row wrap">
            <Checkbox
              id="remind-appointments"
              checked={reminding.appointments}
              onChange={(e) => set({ appointments: e.target.checked })}
            >
              {t("remind-appointments")}
            </Checkbox>
            <Checkbox
              id="remind-exercises"
              checked={reminding.exercises_at !== null}
              onChange={(e) =>
                set({ exercises_at: e.target.checked ? AFTER_WORK : null })
              }
            >
              {t("remind-exercises")}
            </Checkbox>
            <Choose
              id="remind-exercises-at"
              aria-label={t("remind-exercises")}
              disabled={reminding.exercises_at === null}
              value={reminding.exercises_at ?? AFTER_WORK}
              options={HALF_HOUR_OPTIONS}
              onChange={(exercises_at) => set({ exercises_at })}
            />
          </div>
          <div className="row wrap">
            <span>{t("remind-quiet")}</span>
            <Choose
              id="remind-quiet-from"
              aria-label={t("remind-quiet")}
              value={reminding.quiet_from}
              options={HALF_HOUR_OPTIONS}
              onChange={(quiet_from) => set({ quiet_from })}
            />
            <span>{t("remind-quiet-until")}</span>
            <Choose
              id="remind-quiet-until"
              aria-label={`${t("remind-quiet")} ${t("remind-quiet-until")}`}
              value={reminding.quiet_until}
              options={HALF_HOUR_OPTIONS}
              onChange={(quiet_until) => set({ quiet_until })}
            />
          </div>
          {draft.dirty && (
            <>
              <Checkbox
                id="remind-agreed"
                checked={agreed}
                onChange={(e) => setAgreed(e.target.checked)}
              >
                {t("remind-agreed")}
              </Checkbox>
              {faultAt(error, "agreed") && (
                <p className="fault small" role="alert">
                  {faultAt(error, "agreed")}
                </p>
              )}
            </>
          )}
        </div>
      )}
      <ProblemNote error={error} />
      {draft.dirty && (
        <p className="row wrap above-8">
          <Button
            type="primary"
            id="remind-keep"
            disabled={saver.busy || (reminding.channel !== null && !agreed)}
            onClick={keep}
          >
            {t("remind-keep")}
          </Button>
          <SaveMark state={saver.state} />
          <DraftMark draft={draft} />
        </p>
      )}
      <Sent page={page} />
    </section>
  );
}

/** What was sent, and what became of it. */
function Sent({ page }: { page: Page }) {
  return (
    <>
      {page.simulated_at && (
        <p className="soft small above-8">
          {t("remind-simulated")}{" "}
          <a href={page.simulated_at} target="_blank" rel="noreferrer">
            {t("remind-read")}
          </a>
        </p>
      )}
      {page.sent.length > 0 && (
        <>
          <h3 className="above-8">{t("remind-sent")}</h3>
          <ul className="flush" id="reminders-sent">
            {page.sent.map((one) => (
              <li key={one.id} data-state={one.state}>
                <span className="num">{moment(one.at)}</span>,{" "}
                {t(`remind-of-${one.of}`)}, {one.address}:{" "}
                <strong>{t(`remind-state-${one.state}`)}</strong>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
