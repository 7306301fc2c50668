// Enters log entries, one after the other, until a file appears, while the change of day goes on: node scripts/large-day.mjs ADDRESS STOP
import { existsSync } from "node:fs";
import { randomUUID } from "node:crypto";

const [address, stop] = process.argv.slice(2);
const signed = await fetch(`${address}/api/session`, {
  method: "POST",
  headers: { origin: address, "content-type": "application/json" },
  body: JSON.stringify({ login: "demo", password: "molo-nove" }),
});
const headers = { cookie: signed.headers.get("set-cookie").split(";")[0], origin: address, "content-type": "application/json" };
const { today } = await signed.json();
let path = "/api/day-list";
const episodes = [];
while (path && episodes.length < 1000) {
  const page = await (await fetch(address + path, { headers })).json();
  episodes.push(...page.rows.map((row) => row.episode));
  path = page.next && `/api/day-list?${new URLSearchParams({ after: page.next })}`;
}
const statuses = {};
for (let i = 0; !existsSync(stop); i += 1) {
  const entry = { id: randomUUID(), on: today, exercise: null, kind: "pain_next_morning", value: i % 4 };
  const answer = await fetch(`${address}/api/episodes/${episodes[(i * 7919) % episodes.length]}/log`, {
    method: "POST",
    headers,
    body: JSON.stringify(entry),
  });
  await answer.arrayBuffer();
  statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
}
console.log(JSON.stringify(statuses));
