// Applies small faults to a copy of the code, one at a time, and runs the tests of the core: each fault must be noticed.
// node scripts/mutations.mjs COPY [FIRST [LAST]]: COPY is a copy of the repository with a target folder of its own.
import { spawnSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const [copy, first = "1", last = "999"] = process.argv.slice(2);
if (!copy) throw new Error("say where the copy lies");
const NOTICED_AT_LEAST = 38;
const rows = readFileSync(join(copy, "scripts/mutations.txt"), "utf8")
  .split("\n")
  .filter((line) => line && !line.startsWith("#"))
  .map((line) => {
    const [file, ...rest] = line.split(" => ");
    // What stands there may hold an arrow itself: it is as long as what is put there.
    const half = rest.length / 2;
    return {
      file,
      from: rest.slice(0, half).join(" => "),
      to: rest.slice(half).join(" => "),
    };
  });
const run = (which) =>
  spawnSync(
    "cargo",
    ["test", "-q", "-p", "ritorno-core", ...which],
    // A fault may keep a loop going for ever: that is noticed too.
    { cwd: copy, encoding: "utf8", timeout: 20 * 60_000, maxBuffer: 1 << 28 },
  );
// The unit tests are few and cost a second build: only where the others pass.
const test = () => {
  const stories = run(["--test", "it"]);
  return stories.status === 0 ? run(["--lib"]) : stories;
};
// Tests that fail without a fault would notice anything.
if (test().status !== 0) {
  console.log("  the tests of the core fail as the code stands: no fault was put in");
  process.exit(1);
}
let noticed = 0;
let tried = 0;
for (const [at, { file, from, to }] of rows.entries()) {
  if (at + 1 < Number(first) || at + 1 > Number(last)) continue;
  const path = join(copy, "crates/core/src", file);
  const text = readFileSync(path, "utf8");
  const flat = (s) => s.replace(/\s+/g, "");
  const places = text.split(from).length - 1;
  if (places !== 1) {
    console.log(`  ${at + 1} ${file}: stands there ${places} times: ${flat(from)}`);
    process.exitCode = 1;
    continue;
  }
  tried += 1;
  writeFileSync(path, text.replace(from, () => to));
  const result = test();
  writeFileSync(path, text);
  const built = !/could not compile/.test(result.stderr ?? "");
  if (!built) {
    console.log(`  ${at + 1} ${file}: does not compile, so it proves nothing`);
    process.exitCode = 1;
  } else if (result.status !== 0) {
    noticed += 1;
    const by = [...(result.stdout ?? "").matchAll(/^---- (\S+) stdout/gm)].map((m) => m[1]);
    console.log(`  ${at + 1} ${file}: noticed by ${by.slice(0, 3).join(", ") || result.signal || "a crash"}`);
  }
  else console.log(`  ${at + 1} ${file}: nobody noticed ${to}`);
}
console.log(`  ${noticed} of ${tried} faults were noticed`);
if (tried === rows.length && noticed < NOTICED_AT_LEAST) process.exitCode = 1;
