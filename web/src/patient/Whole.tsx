import { Component, type ReactNode } from "react";
import { Always } from "./Always";
import { t } from "./words";

/** Whatever breaks on this page, when to stop and whom to call still stands there. */
export class Whole extends Component<
  { children: ReactNode },
  { broken: boolean }
> {
  override state = { broken: false };

  static getDerivedStateFromError() {
    return { broken: true };
  }

  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <main>
        <h1>{t("phone-broken")}</h1>
        <button className="main" onClick={() => window.location.reload()}>
          {t("phone-again")}
        </button>
        <Always />
      </main>
    );
  }
}
