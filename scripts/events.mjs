#!/usr/bin/env node
// Events a second over HTTP, sent when they are due whether the one before is answered or not, beside what
// pgbench says of the same database in the same run.
// scripts/events.mjs ADDRESS[,ADDRESS] [EVENTS A SECOND] [SECONDS] [COOKS], with PGBENCH_URL for pgbench.
import { execFileSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { Agent, request } from "node:http";

const [where = "http://127.0.0.1:8080", rate = "300", seconds = "20", many = "100"] =
  process.argv.slice(2);
const addresses = where.split(",");
const at = (n) => addresses[n % addresses.length];
// Plain sockets that are kept: fetch takes as much of the machine as the server does.
const agent = new Agent({ keepAlive: true, maxSockets: 64 });
const post = (n, path, body) =>
  new Promise((done, failed) => {
    const text = JSON.stringify(body);
    const headers = { "content-type": "application/json", "content-length": Buffer.byteLength(text) };
    const asked = request(`${at(n)}/api${path}`, { method: "POST", agent, headers }, (answer) => {
      answer.resume();
      answer.on("end", () => done(answer.statusCode));
    });
    asked.on("error", failed);
    asked.end(text);
  });
const described = await (await fetch(`${at(0)}/api/openapi.json`)).json();
const { example } = described.paths["/api/cooks"].post.requestBody.content["application/json"];

const cooks = [];
for (let n = 0; n < Number(many); n++) {
  const id = randomUUID();
  await post(n, `/cooks?id=${id}`, example);
  const started = { id: randomUUID(), happening: { kind: "started" } };
  await post(n, `/cooks/${id}/events`, started);
  cooks.push(id);
}

const quantiles = (took) => {
  took.sort((a, b) => a - b);
  const of = (share) => took[Math.floor(share * (took.length - 1))]?.toFixed(1);
  return `half within ${of(0.5)} ms, 99 of 100 within ${of(0.99)} ms, the slowest ${of(1)} ms`;
};

const took = [];
const refused = new Map();
const waiting = [];
const begun = performance.now();
const total = Number(rate) * Number(seconds);
for (let n = 0; n < total; n++) {
  const due = begun + (1000 * n) / Number(rate);
  const early = due - performance.now();
  if (early > 0) await new Promise((done) => setTimeout(done, early));
  const event = {
    id: randomUUID(),
    happening: { kind: "reading", core_c: 10 + (n % 50), air_c: null, batch: null },
  };
  // From when it was due: an answer that is late makes the next one late too.
  const one = post(n, `/cooks/${cooks[n % cooks.length]}/events`, event).then(
    (status) => {
      if (status === 200) took.push(performance.now() - due);
      else refused.set(status, (refused.get(status) ?? 0) + 1);
    },
    () => refused.set("no answer", (refused.get("no answer") ?? 0) + 1),
  );
  waiting.push(one);
}
await Promise.all(waiting);
const lasted = (performance.now() - begun) / 1000;
const other = [...refused].map(([status, count]) => `, ${count} times ${status}`).join("");
console.log(`${(took.length / lasted).toFixed(0)} events/s of ${rate} asked: ${quantiles(took)}${other}`);

if (process.env.PGBENCH_URL) {
  const pgbench = process.env.PGBENCH ?? "pgbench";
  const url = process.env.PGBENCH_URL;
  execFileSync(pgbench, ["-i", "-q", "-s", "1", url], { stdio: "ignore" });
  const words = ["-n", "-c", "4", "-j", "2", "-T", String(seconds), "-R", String(rate), "-r"];
  const said = execFileSync(pgbench, [...words, url], { encoding: "utf8" });
  const line = (start) => said.split("\n").find((one) => one.startsWith(start)) ?? "";
  console.log(`pgbench at the same rate: ${line("latency average")}; ${line("latency stddev")}; ${line("tps")}`);
}
