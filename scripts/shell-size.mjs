// Prints the gzip size in kB of everything the first signed-in page loads: the entry, Decisions, and what they import at once.
import { readFileSync, readdirSync } from "node:fs";
import { gzipSync } from "node:zlib";

const folder = new URL("../web/dist/assets/", import.meta.url);
const files = readdirSync(folder).filter((f) => f.endsWith(".js"));
const entry = readFileSync(new URL("../web/dist/index.html", import.meta.url), "utf8").match(/assets\/([\w.-]+\.js)/)?.[1];
const wanted = new Set();
const visit = (file) => {
  if (!file || wanted.has(file)) return;
  wanted.add(file);
  const text = readFileSync(new URL(file, folder), "utf8");
  // `from"./x.js"` and `import"./x.js"` are loaded at once; `import("./x.js")` waits.
  for (const [, name] of text.matchAll(/(?:from|import)\s*"\.\/([\w.-]+\.js)"/g)) visit(name);
};
visit(entry);
visit(files.find((f) => f.startsWith("Decisions-")));
const size = (names) => Math.round([...names].reduce((sum, f) => sum + gzipSync(readFileSync(new URL(f, folder)), { level: 9 }).length, 0) / 1024);
console.log(`${size(wanted)} ${size(files)}`);
