import react from "@vitejs/plugin-react";
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { defineConfig, type Plugin } from "vite";
import { catalogues } from "./catalogues.ts";
import { controlStyles } from "./controls.ts";
import { packed } from "./packed.ts";

/** Writes the worker that lets the page open without a network: it knows all files of this build and its version. */
function worker(): Plugin {
  return {
    name: "ritorno-worker",
    apply: "build",
    generateBundle(_, bundle) {
      const files = Object.keys(bundle).filter((f) => f !== "index.html");
      const list = ["/", "/ritorno-sans.woff2", ...files.map((f) => `/${f}`)];
      const text = readFileSync("src/worker.js", "utf8");
      // Every file is named after what is in it, so that the list is the version; the page itself is not.
      const version = createHash("sha256")
        .update(list.join("\n") + text + readFileSync("index.html", "utf8"))
        .digest("hex")
        .slice(0, 12);
      this.emitFile({
        type: "asset",
        fileName: "worker.js",
        source: text
          .replace("__VERSION__", version)
          .replace("__FILES__", JSON.stringify(list)),
      });
    },
  };
}

export default defineConfig({
  plugins: [react(), catalogues(), controlStyles(), worker(), packed()],
  server: { fs: { allow: [".."] }, proxy: { "/api": "http://127.0.0.1:8480" } },
  build: { target: "es2022", chunkSizeWarningLimit: 700 },
});
