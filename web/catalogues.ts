import { FluentResource } from "@fluent/bundle";
import type { Plugin } from "vite";

/** A catalogue's sentences as the page takes them in: what is written for people is read when the page is built. */
export function readCatalogue(text: string): string {
  const read = JSON.stringify(new FluentResource(text).body);
  return `export default JSON.parse(${JSON.stringify(read)})`;
}

/** `import sentences from "x.ftl?read"`. Reading them anew at each opening of the page held up its first drawing. */
export function catalogues(): Plugin {
  return {
    name: "ritorno-catalogues",
    enforce: "pre",
    transform: {
      filter: { id: /\.ftl\?read$/ },
      handler: (code) => ({ code: readCatalogue(code), map: null }),
    },
  };
}
