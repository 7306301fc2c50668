import Button from "antd/es/button";
import { useEffect, useState } from "react";
import { t } from "./wording";
import { Notice } from "./Notice";

/** How often the server is asked whether there is a newer page. */
const LOOK_MS = 10 * 60_000;

/** A newer page that has come and waits to be taken. */
function useWaiting(): ServiceWorker | undefined {
  const [waiting, setWaiting] = useState<ServiceWorker>();
  useEffect(() => {
    if (!("serviceWorker" in navigator) || !import.meta.env.PROD) return;
    let timer = 0;
    const watch = (registration: ServiceWorkerRegistration) => {
      const look = () =>
        // The first one ever has nothing to take over from.
        navigator.serviceWorker.controller &&
        setWaiting(registration.waiting ?? undefined);
      look();
      registration.addEventListener("updatefound", () =>
        registration.installing?.addEventListener("statechange", look),
      );
      timer = window.setInterval(
        () => void registration.update().catch(() => undefined),
        LOOK_MS,
      );
    };
    navigator.serviceWorker
      .register("/worker.js")
      .then(watch)
      // Without it the page works as before; it only does not open without a network.
      .catch(() => undefined);
    return () => window.clearInterval(timer);
  }, []);
  return waiting;
}

/** A newer version is offered and never forced: what is being typed comes first. */
export function NewVersion() {
  const waiting = useWaiting();
  if (!waiting) return null;
  const take = () => {
    navigator.serviceWorker.addEventListener("controllerchange", () =>
      window.location.reload(),
    );
    waiting.postMessage("take over");
  };
  return (
    <Notice role="status" id="new-version" className="row wrap">
      <span>{t("version-new")}</span>
      <Button size="small" onClick={take}>
        {t("version-take")}
      </Button>
    </Notice>
  );
}
