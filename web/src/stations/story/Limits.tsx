import Button from "antd/es/button";
import Checkbox from "antd/es/checkbox";
import { useState } from "react";
import { Choose } from "../../app/Choose";
import { api, ask, newId, type Schemas } from "../../app/client";
import { DateInput } from "../../app/DateInput";
import { DraftMark, DraftNotes } from "../../app/DraftNotes";
import { useDraft, useDraftKey } from "../../app/drafts";
import { SaveMark, useSaver } from "../../app/entries";
import { useFaulty } from "../../app/faulty";
import { KeptNumber } from "../../app/KeptNumber";
import { Field } from "../../app/Field";
import { faultAt, missingFields, ProblemNote } from "../../app/parts";
import { capital, nameOf, shortDate, t, withUnit } from "../../app/wording";

type Page = Schemas["StoryPage"];

interface Form {
  quantity: string;
  ceiling: number | null;
  floor: number | null;
  from: string;
  until: number | null;
  askAgain: number | null;
  release: boolean;
}

/** The surgeon's limits: what was written, and writing another. */
export function Limits({
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
  const empty: Form = {
    quantity: "passive-elevation",
    ceiling: null,
    floor: null,
    from: today,
    until: null,
    askAgain: null,
    release: false,
  };
  const draft = useDraft(useDraftKey("limit"), { value: empty });
  const { value: form, set: setForm } = draft;
  const [fresh, setFresh] = useState(0);
  const [error, setError] = useState<unknown>();
  const saver = useSaver();
  const faulty = useFaulty();
  const add = () => {
    setError(undefined);
    if (!faulty.clear()) return;
    const { ceiling } = form;
    if (ceiling === null) {
      setError(missingFields(["ceiling"]));
      return;
    }
    saver
      .run(async () => {
        keep(
          await ask(
            api.POST("/api/episodes/{id}/limits", {
              params: { path: { id: episode } },
              body: {
                id: newId(),
                quantity: form.quantity,
                ceiling,
                floor: form.floor,
                from: form.from,
                until_day: form.until,
                ask_again_day: form.askAgain,
                release: form.release
                  ? { role: "surgeon", on: form.from }
                  : null,
                ended_on: null,
              },
            }),
          ),
        );
        draft.handedIn(form);
        setFresh((n) => n + 1);
      })
      .catch(setError);
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
  const dial = page.dials.find((d) => d.quantity === form.quantity);
  const range = {
    min: dial?.min ?? -180,
    max: dial?.max ?? 200,
    decimals: 1,
    unit: dial?.unit === "level" ? undefined : "°",
  };
  return (
    <section className="block" id="limits">
      <p className="soft small">{t("limits-lead")}</p>
      <DraftNotes
        draft={draft}
        says={(f) =>
          `${capital(nameOf("quantity", f.quantity))}: ${f.ceiling ?? "–"}, ${f.floor ?? "–"}`
        }
      />
      <ProblemNote error={error} />
      <div className="sheet">
        <Written page={page} onEnd={(id) => void end(id)} />
        {page.limits.length === 0 && <p className="soft">{t("limits-none")}</p>}
        <div className="form above-12">
          <Field label={t("limit-movement")} name="quantity" error={error}>
            <Choose
              id="limit-quantity"
              value={form.quantity}
              options={page.dials.map((d) => ({
                value: d.quantity,
                label: capital(nameOf("quantity", d.quantity)),
              }))}
              onChange={(quantity) => setForm({ ...form, quantity })}
            />
          </Field>
          <KeptNumber
            key={`ceiling-${fresh}`}
            keep="limit-ceiling"
            id="limit-ceiling"
            label={t("limit-ceiling")}
            rule={range}
            value={form.ceiling}
            onValue={faulty.take("ceiling", (ceiling) =>
              setForm((f) => ({ ...f, ceiling })),
            )}
            fault={faultAt(error, "ceiling")}
          />
          <KeptNumber
            key={`floor-${fresh}`}
            keep="limit-floor"
            id="limit-floor"
            label={t("limit-floor")}
            rule={range}
            value={form.floor}
            onValue={faulty.take("floor", (floor) =>
              setForm((f) => ({ ...f, floor })),
            )}
            fault={faultAt(error, "floor")}
          />
          <Field
            label={t("limit-from")}
            name={form.release ? "release.on" : "from"}
            error={error}
          >
            <DateInput
              id="limit-from"
              required
              latest={today}
              value={form.from}
              onChange={(from) => setForm({ ...form, from })}
            />
          </Field>
          <KeptNumber
            key={`ask-${fresh}`}
            keep="limit-ask"
            id="limit-ask-again"
            label={t("limit-ask-again-day")}
            rule="until_day"
            value={form.askAgain}
            onValue={faulty.take("ask", (askAgain) =>
              setForm((f) => ({ ...f, askAgain })),
            )}
            fault={faultAt(error, "ask_again_day")}
          />
          <KeptNumber
            key={`until-${fresh}`}
            keep="limit-until"
            id="limit-until"
            label={t("limit-until-day")}
            rule="until_day"
            value={form.until}
            onValue={faulty.take("until", (until) =>
              setForm((f) => ({ ...f, until })),
            )}
            fault={faultAt(error, "until_day")}
          />
          <Checkbox
            className="tall"
            id="limit-release"
            checked={form.release}
            onChange={(e) => setForm({ ...form, release: e.target.checked })}
          >
            {t("limit-is-release")}
          </Checkbox>
          <Button id="add-limit" loading={saver.busy} onClick={add}>
            {t("limit-add")}
          </Button>
          <SaveMark state={saver.state} />
        </div>
        <DraftMark draft={draft} />
      </div>
    </section>
  );
}

/** Limits as they were written, with whether they still hold. */
function Written({
  page,
  onEnd,
}: {
  page: Page;
  onEnd: (limit: string) => void;
}) {
  return (
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
              {l.from && !l.release
                ? `${t("limit-since", { date: shortDate(l.from) })}, `
                : ""}
              {l.until_day != null
                ? t("limit-until", { day: l.until_day })
                : t("limit-open")}
              {l.ask_again_day != null
                ? ` · ${t("limit-asks", { day: l.ask_again_day })}`
                : ""}
              {l.release
                ? ` · ${t("limit-release", { date: shortDate(l.release.on) })}`
                : ""}
            </td>
            <td>
              {l.ended_on ? (
                t("limit-ended", { date: shortDate(l.ended_on) })
              ) : l.until_day != null && page.clock.day >= l.until_day ? (
                <Button size="small" onClick={() => onEnd(l.id)}>
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
  );
}
