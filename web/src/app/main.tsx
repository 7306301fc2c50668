import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import ConfigProvider from "antd/es/config-provider";
import { startTransition, StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter } from "react-router";
import { ApiProblem } from "./client";
import { fetchEarly } from "./early";
import { meQuery } from "./me";
import { giveNonce, nonce } from "./nonce";
import { Shell } from "./Shell";
// What is ours comes after what is the library's, and holds.
import "antd/dist/antd.css";
import "./style.css";
import "./letters.css";
import { useLook } from "./look";
import { themeOf } from "./theme";
import { Trouble } from "./Trouble";

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // A database that is away comes back by itself: ask again, a refusal never.
      retry: (count, error) =>
        error instanceof ApiProblem && error.passing && count < 30,
      retryDelay: (count) => Math.min(1000 * (count + 1), 4000),
      staleTime: 10_000,
    },
  },
});

giveNonce();
fetchEarly(window.location.pathname);
// Who is signed in is asked before anything is drawn: everything else waits for it.
void queries.prefetchQuery(meQuery);
// The browser reads its tables of numbers when they are first asked for, and takes its time (70 ms were measured): better now, while
// it is waited for, than in the middle of a page.
window.setTimeout(() => void new Intl.NumberFormat("en").format(0));

/** Everything, in the look that was chosen. */
function App() {
  return (
    <ConfigProvider
      theme={themeOf(useLook())}
      csp={{ nonce }}
      // Nothing moves that was not asked to, the ring around a pressed key neither.
      wave={{ disabled: true }}
    >
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Trouble>
            <Shell />
          </Trouble>
        </BrowserRouter>
      </QueryClientProvider>
    </ConfigProvider>
  );
}

const root = document.getElementById("root");
if (root)
  // A slice at a time, like everything that is drawn for the first time.
  startTransition(() =>
    createRoot(root).render(
      <StrictMode>
        <App />
      </StrictMode>,
    ),
  );
