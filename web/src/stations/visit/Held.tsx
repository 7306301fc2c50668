import { api, ask, type Schemas } from "../../app/client";
import { InWords } from "../../app/InWords";
import { nameOf, sentence, shortDate, t } from "../../app/wording";
import { Notice } from "../../app/Notice";

type View = Schemas["VisitView"];

/** What is held: measurements above a ceiling that nobody has dealt with, and exercises that a stop has paused. */
export function Held({
  episode,
  view,
  onDone,
  onError,
}: {
  episode: string;
  view: View;
  onDone: () => void;
  onError: (e: unknown) => void;
}) {
  const path = { params: { path: { id: episode } } };
  const ends = { onDone, onError };
  return (
    <>
      {view.breaches.map((b) => (
        <Notice
          role="alert"
          key={b.quantity}
          kind="stop"
          data={{ breach: b.quantity }}
        >
          <b>{sentence(b.reason)}</b>
          {b.surgeon && (
            <InWords
              id={`breach-${b.quantity}`}
              label={t("breach-answer")}
              button={t("breach-record")}
              {...ends}
              send={(id, { words }) =>
                ask(
                  api.POST("/api/episodes/{id}/breach-answers", {
                    ...path,
                    body: {
                      id,
                      measurement: b.view.measurement.id,
                      on: b.view.measurement.on,
                      role: "surgeon",
                      words,
                    },
                  }),
                )
              }
            />
          )}
        </Notice>
      ))}
      {view.paused.map((p) => (
        <Notice key={p.id} kind="decide" data={{ paused: p.exercise }}>
          <b>{t("line-paused", { exercise: p.exercise })}</b>{" "}
          <span className="soft small">{shortDate(p.on)}</span>
          <InWords
            id={`resume-${p.exercise}`}
            label={`${t("resume-why")}: ${nameOf("exercise", p.exercise)}`}
            button={t("line-resume")}
            of="resume"
            {...ends}
            send={(id, reason) =>
              ask(
                api.POST("/api/episodes/{id}/resumes", {
                  ...path,
                  body: {
                    id,
                    exercise: p.exercise,
                    reason: reason.words,
                    reason_code: reason.code ?? null,
                  },
                }),
              )
            }
          />
        </Notice>
      ))}
    </>
  );
}
