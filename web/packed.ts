import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { brotliCompressSync, constants } from "node:zlib";
import type { Plugin } from "vite";

/**
 * Packs scripts and styles once, as small as they get, when the pages are built: packing them anew for each browser
 * took the server longer and left them half as large again.
 */
export function packed(): Plugin {
  return {
    name: "ritorno-packed",
    apply: "build",
    writeBundle({ dir }) {
      const assets = `${dir ?? "dist"}/assets`;
      for (const name of readdirSync(assets)) {
        // Names hold what is in them: what is packed already stays so.
        if (!/\.(js|css)$/.test(name) || existsSync(`${assets}/${name}.br`))
          continue;
        const small = brotliCompressSync(readFileSync(`${assets}/${name}`), {
          params: { [constants.BROTLI_PARAM_QUALITY]: 11 },
        });
        writeFileSync(`${assets}/${name}.br`, small);
      }
    },
  };
}
