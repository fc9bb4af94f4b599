#!/usr/bin/env node
// A running cook beside a crowd: clients that ask for plans, suppers, diagnoses, practice and archives as fast as they
// are answered, while one cook is read and reported to. scripts/under-load.mjs [address] [clients] [seconds]
//
// Where one signs in, CROWD and COOK are the cookies of the crowd ("session=...;other" with ";;" between several
// devices) and of the cook.
import { isMainThread, parentPort, Worker } from "node:worker_threads";

const [address = "http://127.0.0.1:8080", clients = "50", seconds = "30"] = process.argv.slice(2);
const api = `${address}/api`;
const crowd = (process.env.CROWD ?? "").split(";;");
const own = process.env.COOK ?? "";
const description = await (await fetch(`${api}/openapi.json`)).json();

/** The example of an operation, to be sent as it stands. */
function example(operation) {
  for (const [path, methods] of Object.entries(description.paths))
    for (const [method, described] of Object.entries(methods))
      if (described.operationId === operation) {
        const body = described.requestBody?.content?.["application/json"]?.example;
        return { method: method.toUpperCase(), path, body };
      }
  throw new Error(`there is no operation ${operation}`);
}

async function ask(method, path, body, cookie) {
  const headers = { "content-type": "application/json", ...(cookie ? { cookie } : {}) };
  const begun = performance.now();
  const response = await fetch(`${address}${path}`, {
    method,
    headers,
    body: body && JSON.stringify(body),
  });
  const answer = await response.arrayBuffer();
  return { status: response.status, ms: performance.now() - begun, answer };
}
const json = ({ answer }) => JSON.parse(new TextDecoder().decode(answer));

const asked = ["preview_plan", "preview_supper", "diagnose", "play_exercise", "export_household"].map(example);
// The cook is asked in a thread of its own, so that reading what the crowd is answered does not count as waiting.
const end = performance.now() + 1000 * Number(seconds);
const seen = new Map();
function note(kind, { status, ms }) {
  const of = seen.get(kind) ?? { took: [], statuses: new Map() };
  of.took.push(ms);
  of.statuses.set(status, (of.statuses.get(status) ?? 0) + 1);
  seen.set(kind, of);
}
async function client(number) {
  for (let n = number; performance.now() < end; n++) {
    const { method, path, body } = asked[n % asked.length];
    note(`crowd ${method} ${path}`, await ask(method, path, body, crowd[number % crowd.length]));
  }
}
async function cooking() {
  const { body: request } = example("preview_plan");
  const cook = json(await ask("POST", "/api/cooks", { request }, own));
  const report = (happening) =>
    ask("POST", `/api/cooks/${cook.id}/events`, { id: crypto.randomUUID(), happening }, own);
  await report({ kind: "started" });
  await report({ kind: "step_done", step: 0 });
  for (let n = 0; performance.now() < end; n++) {
    note("the cook, GET", await ask("GET", `/api/cooks/${cook.id}`, undefined, own));
    // Mostly readings, as of a thermometer that is asked often; now and then somebody looks in.
    const happening = n % 8 === 7 ? { kind: "door_opened", open_s: 5 } : { kind: "reading", core_c: 5 + n / 20 };
    note("the cook, POST", await report(happening));
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await ask("DELETE", `/api/cooks/${cook.id}`, undefined, own);
  return seen;
}
if (isMainThread) {
  const worker = new Worker(new URL(import.meta.url), { argv: process.argv.slice(2) });
  const cook = new Promise((resolve) => worker.once("message", resolve));
  await Promise.all(Array.from({ length: Number(clients) }, (_, number) => client(number)));
  for (const [kind, of] of await cook) seen.set(kind, of);
  for (const [kind, { took, statuses }] of [...seen].sort()) {
    took.sort((a, b) => a - b);
    const at = (share) => took[Math.floor(share * (took.length - 1))].toFixed(0);
    const counts = [...statuses].map(([status, count]) => `${count} times ${status}`).join(", ");
    console.log(`${kind}: ${counts}; half within ${at(0.5)} ms, 99 of 100 within ${at(0.99)} ms, all within ${at(1)} ms`);
  }
} else {
  parentPort.postMessage(await cooking());
}
