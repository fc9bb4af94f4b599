// Writers of events and documents, as pages are: what is not acknowledged is sent again under the same identity.
import { randomUUID } from "node:crypto";
import { expect } from "@playwright/test";
import type { Cluster } from "./processes";
import { pause } from "./processes";

/** Given up after so long without an answer, ms. */
const PATIENCE = 6_000;

/** One request; nothing where there was no answer. */
async function ask(url: string, method: string, body?: unknown, headers: Record<string, string> = {}) {
  try {
    const response = await fetch(url, {
      method,
      headers: { ...(body ? { "Content-Type": "application/json" } : {}), ...headers },
      body: body ? JSON.stringify(body) : null,
      signal: AbortSignal.timeout(PATIENCE),
    });
    const text = await response.text();
    return { status: response.status, body: text ? JSON.parse(text) : null };
  } catch {
    return null;
  }
}

/** Asks the servers in turn until one of them answers, and not with trouble of its own. */
async function insist(servers: () => string[], path: string, method: string, body?: unknown, headers = {}) {
  for (let tries = 0; ; tries++) {
    const all = servers();
    const answer = await ask(`${all[tries % all.length]}${path}`, method, body, headers);
    if (answer && answer.status < 500) return answer;
    if (tries > 2000) throw new Error(`${method} ${path} is not answered`);
    await pause(20);
  }
}

/** What a writer was told is kept. */
export class Writer {
  readonly acknowledged: string[] = [];
  /** The name that was acknowledged last, and those that were sent after it. */
  names: string[] = [];
  revision = 0;
  cook = "";
  private going = true;
  private running: Promise<void>[] = [];

  constructor(private readonly servers: () => string[]) {}

  async begin() {
    const catalogue = await insist(this.servers, "/api/openapi.json", "GET");
    const { example } =
      catalogue.body.paths["/api/cooks"].post.requestBody.content["application/json"];
    this.cook = randomUUID();
    const made = await insist(this.servers, `/api/cooks?id=${this.cook}`, "POST", example);
    expect([200, 201]).toContain(made.status);
    const started = { id: randomUUID(), happening: { kind: "started" } };
    await insist(this.servers, `/api/cooks/${this.cook}/events`, "POST", started);
    this.acknowledged.push(started.id);
    this.running = [this.events(), this.documents()];
  }

  private async events() {
    for (let n = 0; this.going; n++) {
      const event = {
        id: randomUUID(),
        happening: { kind: "reading", core_c: 20 + (n % 40), air_c: null, batch: null },
      };
      const answer = await insist(this.servers, `/api/cooks/${this.cook}/events`, "POST", event);
      expect(answer.status, JSON.stringify(answer.body)).toBe(200);
      this.acknowledged.push(event.id);
    }
  }

  private async documents() {
    while (this.going) {
      const name = `cook ${randomUUID()}`;
      this.names.push(name);
      const answer = await insist(this.servers, `/api/cooks/${this.cook}`, "PATCH", { name });
      expect(answer.status).toBe(204);
      this.names = [name];
    }
  }

  async end() {
    this.going = false;
    await Promise.all(this.running);
  }
}

/** Everything that was acknowledged is there, and nothing twice. */
export function intact(cluster: Cluster, writers: Writer[]) {
  let events = 0;
  for (const writer of writers) {
    const rows = cluster
      .sql("ember", `SELECT id FROM events WHERE cook_id = '${writer.cook}'`)
      .trim()
      .split("\n");
    expect(new Set(rows).size).toBe(rows.length);
    const missing = writer.acknowledged.filter((id) => !rows.includes(id));
    expect(missing).toEqual([]);
    // What was sent and not acknowledged may be there too: at most one, the last.
    expect(rows.length - writer.acknowledged.length).toBeLessThanOrEqual(1);
    const name = cluster.sql("ember", `SELECT name FROM cooks WHERE id = '${writer.cook}'`).trim();
    expect(writer.names).toContain(name);
    events += rows.length;
  }
  return events;
}
