// Mixed requests at a steady rate, whether the answers keep up or not: node scripts/load.mjs ADDRESS RATE SECONDS
// Prints what was answered, the times from when a request was due to its answer, and the largest memory of the process PID where one is given.
import http from "node:http";
import { randomUUID } from "node:crypto";
import { readFileSync } from "node:fs";

const [address, rate, seconds, pid] = process.argv.slice(2);
const agent = new http.Agent({ keepAlive: true, maxSockets: 64 });
let cookie = "";
const ask = (method, path, body) =>
  new Promise((done) => {
    const text = body && JSON.stringify(body);
    const sent = http.request(
      address + path,
      {
        method,
        agent,
        headers: {
          cookie,
          origin: address,
          ...(text && { "content-type": "application/json", "content-length": Buffer.byteLength(text) }),
        },
      },
      (answer) => {
        const parts = [];
        answer.on("data", (part) => parts.push(part));
        answer.on("end", () =>
          done({ status: answer.statusCode, head: answer.headers, text: () => Buffer.concat(parts).toString() }),
        );
      },
    );
    sent.on("error", () => done({ status: 0 }));
    sent.end(text);
  });

const signed = await ask("POST", "/api/session", { login: "demo", password: "molo-nove", code: null });
cookie = signed.head["set-cookie"][0].split(";")[0];
const list = JSON.parse((await ask("GET", "/api/day-list")).text());
const today = list.today ?? "2027-03-01";
const rows = list.rows;
const any = (n) => rows[n % rows.length];
// Our choice of what a busy clinic asks for: mostly lists and visits, one in six a write.
const kinds = [
  ["session", 15, () => ["GET", "/api/session"]],
  ["day list", 20, () => ["GET", "/api/day-list"]],
  ["visit", 15, (n) => ["GET", `/api/episodes/${any(n).episode}/visit`]],
  ["story", 10, (n) => ["GET", `/api/episodes/${any(n).episode}/story`]],
  ["timeline", 10, (n) => ["GET", `/api/patients/${any(n).patient}/timeline`]],
  ["find", 10, (n) => ["GET", `/api/find?search=${"fbkavo"[n % 6]}`]],
  ["bounds", 4, () => ["GET", "/api/bounds"]],
  ["log", 10, (n) => ["POST", `/api/episodes/${any(n).episode}/log`, { id: randomUUID(), on: today, exercise: null, kind: "slip" }]],
  ["score", 6, (n) => ["POST", `/api/episodes/${any(n).episode}/scores`, { id: randomUUID(), score: "rest-pain", value: 2, on: today }]],
];
const deck = kinds.flatMap(([name, share, make]) => Array.from({ length: share }, () => [name, make]));
const shuffled = deck.map((card, i) => [((i * 2654435761) >>> 0) % 1009, card]).sort((a, b) => a[0] - b[0]).map(([, card]) => card);
const times = new Map(kinds.map(([name]) => [name, []]));
const statuses = {};
let memory = 0;
const due = performance.now();
const total = rate * seconds;
const waiting = [];
await new Promise((over) => {
  let sent = 0;
  const beat = setInterval(() => {
    const until = Math.min(total, Math.floor(((performance.now() - due) / 1000) * rate));
    for (; sent < until; sent += 1) {
      const [name, make] = shuffled[sent % shuffled.length];
      const at = due + (sent * 1000) / rate;
      waiting.push(
        ask(...make(sent)).then(({ status }) => {
          statuses[status] = (statuses[status] ?? 0) + 1;
          times.get(name).push(performance.now() - at);
        }),
      );
    }
    if (pid && sent % 500 < rate / 50) {
      memory = Math.max(memory, Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0));
    }
    if (sent === total) {
      clearInterval(beat);
      over();
    }
  }, 4);
});
await Promise.all(waiting);
const took = (performance.now() - due) / 1000;
const part = (list, q) => list.sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(q * list.length))] ?? NaN;
const all = [...times.values()].flat();
console.log(`${total} requests in ${took.toFixed(1)} s, ${(total / took).toFixed(0)} a second; answers ${JSON.stringify(statuses)}`);
console.log(`all: median ${part(all, 0.5).toFixed(1)} ms, p99 ${part(all, 0.99).toFixed(1)} ms${memory ? `; at most ${(memory / 1024).toFixed(0)} MB` : ""}`);
for (const [name, list] of times) console.log(`${name}: median ${part(list, 0.5).toFixed(1)} ms, p99 ${part(list, 0.99).toFixed(1)} ms`);
agent.destroy();
