import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import type { Plugin } from "vite";

/**
 * Writes a worker that lets a page open without a network: it knows all files of this build and its version.
 * `page` is where the page is asked for, `html` the document it is built from.
 */
export function worker(
  source: string,
  fileName: string,
  page: string,
  html: string,
): Plugin {
  return {
    name: "ritorno-worker",
    apply: "build",
    generateBundle(_, bundle) {
      const files = Object.keys(bundle).filter((f) => f !== html);
      const list = [page, "/ritorno-sans.woff2", ...files.map((f) => `/${f}`)];
      const text = readFileSync(source, "utf8");
      // Every file is named after what is in it, so that the list is the version; the page itself is not.
      const version = createHash("sha256")
        .update(list.join("\n") + text + readFileSync(html, "utf8"))
        .digest("hex")
        .slice(0, 12);
      this.emitFile({
        type: "asset",
        fileName,
        source: text
          .replace("__VERSION__", version)
          .replace("__FILES__", JSON.stringify(list)),
      });
    },
  };
}
