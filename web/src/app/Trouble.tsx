import { Component, type ReactNode } from "react";
import { t } from "./wording";
import { Notice } from "./Notice";

interface State {
  failed: boolean;
  detail: string;
}

/**
 * A script of the page that could not be fetched: after an update its name has changed, so the page is asked for
 * anew.
 */
const LOST_SCRIPT = /dynamically imported module|module script|Loading chunk/i;
const RELOADED = "ritorno-reloaded";

/** One net under the whole page: a fault is told in words, and there is a way home. What waits in the outbox stays. */
export class Trouble extends Component<{ children: ReactNode }, State> {
  override state: State = { failed: false, detail: "" };

  static getDerivedStateFromError(error: unknown): State {
    return { failed: true, detail: String(error) };
  }

  override componentDidCatch(error: unknown) {
    const before = Number(window.sessionStorage.getItem(RELOADED) ?? 0);
    // Once in a while, so that a script that is gone for good does not make the page turn in circles.
    if (LOST_SCRIPT.test(String(error)) && Date.now() - before > 30_000) {
      window.sessionStorage.setItem(RELOADED, String(Date.now()));
      window.location.reload();
    }
  }

  override render() {
    if (!this.state.failed) return this.props.children;
    return (
      <main id="trouble">
        <Notice role="alert" kind="stop">
          <h1>{t("trouble-title")}</h1>
          <p>{t("trouble-lead")}</p>
          <p className="row">
            <a className="way-home" href="/">
              {t("trouble-home")}
            </a>
            <button className="yn" onClick={() => window.location.reload()}>
              {t("trouble-again")}
            </button>
          </p>
          <details className="small soft">
            <summary>{t("trouble-detail")}</summary>
            {this.state.detail}
          </details>
        </Notice>
      </main>
    );
  }
}
