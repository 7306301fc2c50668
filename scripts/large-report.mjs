// Writes docs/BENCH-LARGE.md from what scripts/large measured: node scripts/large-report.mjs FOLDER
import { readFileSync } from "node:fs";
import { cpus } from "node:os";

const [folder] = process.argv.slice(2);
const read = (name) => readFileSync(`${folder}/${name}`, "utf8").trim();
const few = JSON.parse(read("large-few.json"));
const many = JSON.parse(read("large-many.json"));
const day = (name) => {
  const answers = Object.entries(JSON.parse(read(`large-${name}.json`)));
  return `${read(`large-${name}.moved`)}; ${answers.map(([status, n]) => `${n} entries answered ${status}`).join(", ") || "no entry in so short a time"}`;
};
const row = (what, goal, of) => `| ${what} | ${goal} | ${of(few)} | ${of(many)} |`;
const p95 = (name) => (m) => `${m[name].p95} ms (median ${m[name].p50})${m[name].bad ? `, ${m[name].bad} refused` : ""}`;
const load = (name) => (m) => {
  const bad = Object.entries(m[name].statuses).filter(([status]) => status !== "200");
  return `${m[name].per_s} a second, p99 ${m[name].p99} ms, ${bad.length ? bad.map(([s, n]) => `${n} × ${s}`).join(", ") : "0 errors"}`;
};
const kept = (which) => (m) => `${m.acknowledged} of ${read(`large-${which}.kept`)}`;
console.log(`# Measurements of a large clinic

Made by \`./bench --large\` on ${new Date().toISOString().slice(0, 10)}: the demo's people copied, optimised build, ${cpus().length} cores shared by the server, PostgreSQL and
the client that asks. Read the ratios; figures are goals, never asserted in tests.

| what | goal | ${few.patients} shoulders | ${many.patients} shoulders |
|---|---|---|---|
${row("Decisions, page one, p95", "≤ 60 ms, ≤ 2 × its own", p95("page_one"))}
${row("a page in the middle", "same", p95("page_middle"))}
${row("one lane", "same", p95("lane_filter"))}
${row("search by a name", "same", p95("search_name"))}
${row("search for few", "same", p95("search_rare"))}
${row("a visit, alone, p95", "≤ 25 ms", p95("visit"))}
${row("a visit after 730 days of eight entries", "≤ 25 ms", p95("visit_730"))}
${row("log entries, 16 clients", "200 a second", load("log"))}
${row("the mix of scripts/large.mjs, 16 clients", "500 a second, p99 ≤ 150 ms, 0 errors", load("mix"))}
${row("the mix, 64 clients", "no untrue answer", load("crowd"))}
| acknowledged entries found in the database | all | ${kept("few")(few)} | ${kept("many")(many)} |
| memory at its highest | ≤ 200 MB | ${Math.round(read("large-few.rss") / 1024)} MB | ${Math.round(read("large-many.rss") / 1024)} MB |
| ready | ≤ 2 s | ${read("large-few.ready")} ms | ${read("large-many.ready")} ms |
| the change of day after a day on which everybody was written to, entries going on meanwhile | all in ≤ 60 s, none refused | | ${day("all")} |
| the change of the day after it | same | | ${day("usual")} |`);
