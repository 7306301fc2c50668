import { useEffect, useRef } from "react";
import { t } from "./wording";

/**
 * After each change of page its heading has the focus and the window its name: who uses a screen reader hears
 * where they
 * are, and tabs from there.
 */
export function usePageTitle(pathname: string) {
  const first = useRef(true);
  useEffect(() => {
    const arrived = first.current;
    first.current = false;
    const main = document.getElementById("main");
    if (!main) return;
    const name = () => {
      const heading = main.querySelector<HTMLElement>("h1");
      if (!heading) return false;
      const whose = document.querySelector(".path h2")?.textContent;
      document.title = [heading.textContent, whose, t("app-name")]
        .filter(Boolean)
        .join(" · ");
      const typing = /^(INPUT|TEXTAREA)$/.test(
        document.activeElement?.tagName ?? "",
      );
      if (!arrived && !typing) {
        heading.tabIndex = -1;
        heading.focus({ preventScroll: true });
      }
      return true;
    };
    if (name()) return;
    const watch = new MutationObserver(() => name() && watch.disconnect());
    watch.observe(main, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, [pathname]);
}
