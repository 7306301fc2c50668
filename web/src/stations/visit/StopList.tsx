import Button from "antd/es/button";
import { Link } from "react-router";
import { api, ask, newId, type Schemas } from "../../app/client";
import { SaveMark, useSaver } from "../../app/entries";
import { nameOf, t } from "../../app/wording";

/** The red flags in view, and one key that says that none of them is there. An open flag is not touched by it. */
export function StopList({
  episode,
  id,
  title,
  button,
  asked,
  flags,
  onNone,
  onKept,
  onError,
}: {
  episode: string;
  id: string;
  title: string;
  button: string;
  /** Said already: the key rests. */
  asked?: boolean;
  flags: Schemas["FlagView"][];
  /** At once, whether or not the answers reach the server. */
  onNone?: () => void;
  onKept: () => void;
  onError: (e: unknown) => void;
}) {
  const saver = useSaver();
  const calm = flags.filter(
    (f) => f.asked && ["no", "not_asked", "answered"].includes(f.state),
  );
  const none = async () => {
    onNone?.();
    const answers = calm.map((f) => ({
      id: newId(),
      flag: f.flag,
      answer: "no" as const,
    }));
    await saver.run(async () => {
      await ask(
        api.POST("/api/episodes/{id}/flags", {
          params: { path: { id: episode } },
          body: { answers },
        }),
      );
      onKept();
    });
  };
  return (
    <div className="small flag-line">
      <p className="row wrap flush">
        <b>{title}</b>
        <Button
          size="small"
          id={id}
          onClick={() => void none().catch(onError)}
          disabled={asked || saver.busy}
        >
          {button}
        </Button>
        <SaveMark state={saver.state} />
        <Link to={`/e/${episode}/story?flags`}>{t("visit-flags-some")}</Link>
      </p>
      {/* Once they are asked, the questions make room. */}
      {!asked && (
        <ul className="flag-list">
          {calm.map((f) => (
            <li key={f.flag}>{nameOf("flag", f.flag)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
