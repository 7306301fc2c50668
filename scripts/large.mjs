// Measures a running server that holds a large clinic: node scripts/large.mjs ADDRESS LONG_EPISODE SECONDS
// Prints one line of JSON. The client shares the machine's cores with the server and the database: it is part of what is measured.
import http from "node:http";
import { randomBytes } from "node:crypto";

const [address, longEpisode, seconds = "20"] = process.argv.slice(2);
const agent = new http.Agent({ keepAlive: true, maxSockets: 128 });
let cookie = "";

/** One request; the body is read, and parsed only where it is wanted. */
function ask(method, path, body, parse = false) {
  return new Promise((resolve) => {
    const start = performance.now();
    const text = body && JSON.stringify(body);
    const headers = { cookie, origin: address };
    if (!parse) headers["accept-encoding"] = "gzip";
    if (text) headers["content-type"] = "application/json";
    const done = (status, value, head) =>
      resolve({ status, ms: performance.now() - start, value, head });
    const request = http.request(address + path, { method, agent, headers }, (answer) => {
      const parts = [];
      answer.on("data", (part) => parse && parts.push(part));
      answer.on("end", () => {
        const value = parse && parts.length ? JSON.parse(Buffer.concat(parts)) : undefined;
        done(answer.statusCode, value, answer.headers);
      });
      answer.on("error", () => done(0));
    });
    request.on("error", () => done(0));
    request.end(text);
  });
}
const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
const round = (ms) => Math.round(ms * 10) / 10;

/** Percentiles of what `make(i)` asks, one after the other, after a few that are not counted. */
async function alone(count, make) {
  const times = [];
  let bad = 0;
  for (let i = -5; i < count; i += 1) {
    const got = await make(i < 0 ? i + 5 : i);
    if (got.status !== 200) bad += 1;
    else if (i >= 0) times.push(got.ms);
  }
  times.sort((a, b) => a - b);
  return { p50: round(at(times, 0.5)), p95: round(at(times, 0.95)), bad };
}

/** Asks with many clients for some seconds. */
async function together(clients, forSeconds, make) {
  const times = [];
  const statuses = {};
  const start = performance.now();
  const until = start + forSeconds * 1000;
  let i = 0;
  await Promise.all(
    Array.from({ length: clients }, async () => {
      while (performance.now() < until) {
        i += 1;
        const got = await make(i);
        statuses[got.status] = (statuses[got.status] ?? 0) + 1;
        if (got.status === 200) times.push(got.ms);
      }
    }),
  );
  const took = (performance.now() - start) / 1000;
  times.sort((a, b) => a - b);
  return {
    per_s: Math.round(times.length / took),
    p50: round(at(times, 0.5)),
    p99: round(at(times, 0.99)),
    statuses,
    took,
  };
}

/** An id whose first bits are the time, as the pages make them. */
function uuid() {
  const b = randomBytes(16);
  b.writeUIntBE(Date.now(), 0, 6);
  b[6] = (b[6] & 15) | 0x70;
  b[8] = (b[8] & 63) | 0x80;
  const h = b.toString("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-${h.slice(12, 16)}-${h.slice(16, 20)}-${h.slice(20)}`;
}

const signed = await ask("POST", "/api/session", { login: "demo", password: "molo-nove" }, true);
if (signed.status !== 200) throw new Error(`sign-in: ${signed.status}`);
cookie = signed.head["set-cookie"][0].split(";")[0];
const today = signed.value.today;
const list = (query) => `/api/day-list?${new URLSearchParams(query)}`;

// Walk to the middle, and gather whom to ask about.
const first = (await ask("GET", list({}), null, true)).value;
const all = first.counts.reduce((sum, c) => sum + c.count, 0);
const episodes = [];
let page = first;
let middle = {};
for (let seen = 0; seen < all / 2 && page.next; seen += page.rows.length) {
  if (episodes.length < 4000) episodes.push(...page.rows.map((row) => row.episode));
  middle = { after: page.next };
  page = (await ask("GET", list(middle), null, true)).value;
}
const any = (i) => episodes[(i * 7919) % episodes.length];
const lanes = first.counts.map((c) => c.lane);
const out = { patients: all };
out.page_one = await alone(60, () => ask("GET", list({})));
out.page_middle = await alone(60, () => ask("GET", list(middle)));
out.lane_filter = await alone(60, (i) => ask("GET", list({ lane: lanes[i % lanes.length] })));
out.search_name = await alone(60, (i) => ask("GET", list({ search: first.rows[i % 50].name.slice(0, 6) })));
out.search_rare = await alone(60, (i) => ask("GET", list({ search: `0${100 + i}` })));
out.visit = await alone(150, (i) => ask("GET", `/api/episodes/${any(i)}/visit`));
out.visit_730 = await alone(40, () => ask("GET", `/api/episodes/${longEpisode}/visit`));
out.acknowledged = 0;
const entry = (i) => ({
  id: uuid(),
  on: today,
  exercise: null,
  kind: "pain_next_morning",
  value: i % 4,
});
out.log = await together(16, Number(seconds), async (i) => {
  const got = await ask("POST", `/api/episodes/${any(i)}/log`, entry(i));
  if (got.status === 200) out.acknowledged += 1;
  return got;
});
// The committed mix: of twenty requests eight lists, five visits, two programs, two ranges, one reading, two entries.
const MIX = [
  ...Array.from({ length: 8 }, (_, k) => () => ask("GET", list(k % 2 ? middle : {}))),
  ...Array.from({ length: 5 }, () => (i) => ask("GET", `/api/episodes/${any(i)}/visit`)),
  ...Array.from({ length: 2 }, () => (i) => ask("GET", `/api/episodes/${any(i)}/program`)),
  ...Array.from({ length: 2 }, () => (i) => ask("GET", `/api/episodes/${any(i)}/ranges`)),
  (i) => ask("GET", `/api/episodes/${any(i)}/reading`),
  ...Array.from({ length: 2 }, () => async (i) => {
    const got = await ask("POST", `/api/episodes/${any(i)}/log`, entry(i));
    if (got.status === 200) out.acknowledged += 1;
    return got;
  }),
];
out.mix = await together(16, Number(seconds), (i) => MIX[(i * 13) % MIX.length](i));
out.crowd = await together(64, Math.min(10, Number(seconds)), (i) => MIX[(i * 13) % MIX.length](i));
console.log(JSON.stringify(out));
agent.destroy();
