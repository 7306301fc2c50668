import { createRoot } from "react-dom/client";
import { layKeys, leftHand } from "./hand";
import { Phone } from "./Phone";
import { PREVIEW } from "./server";
import { Whole } from "./Whole";
import "./phone.css";

layKeys(leftHand());
const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <Whole>
      <Phone />
    </Whole>,
  );

// The page opens without a network from the second time on. Where the way is not encrypted browsers have no workers.
if (import.meta.env.PROD && !PREVIEW && "serviceWorker" in navigator)
  navigator.serviceWorker
    .register("/phone-worker.js", { scope: "/h" })
    .catch(() => undefined);
