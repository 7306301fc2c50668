import { FluentResource } from "@fluent/bundle";
import type { Plugin } from "vite";

/** A catalogue's sentences as the page takes them in: what is written for people is read when the page is built. */
export function readCatalogue(text: string, takenIn: boolean): string {
  const read = JSON.stringify(new FluentResource(text).body);
  const sentences = `JSON.parse(${JSON.stringify(read)})`;
  return takenIn
    ? `import { learn } from "/src/app/wording.ts";\nlearn(${sentences})`
    : `export default ${sentences}`;
}

/**
 * `import "x.ftl?learn"` takes a catalogue in, `import sentences from "x.ftl?read"` only reads it. Reading them anew
 * at each opening of the page held up its first drawing.
 */
export function catalogues(): Plugin {
  return {
    name: "ritorno-catalogues",
    enforce: "pre",
    transform: {
      filter: { id: /\.ftl\?(read|learn)$/ },
      handler: (code, id) => ({
        code: readCatalogue(code, id.endsWith("?learn")),
        map: null,
        moduleSideEffects: true,
      }),
    },
  };
}
