// A kitchen for each test: its own database on the throw-away cluster, a copy of one that is filled once, and a server
// process that can be killed and started again.
import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { once } from "node:events";
import { createServer } from "node:net";
import AxeBuilder from "@axe-core/playwright";
import { test as base, expect, type Locator, type Page, type Request } from "@playwright/test";

export type { Page };

const cluster = process.env.TEST_DATABASE_URL;
if (!cluster) throw new Error("TEST_DATABASE_URL is not set; run ./test e2e");

async function freePort(): Promise<number> {
  const server = createServer();
  server.listen(0, "127.0.0.1");
  await once(server, "listening");
  const address = server.address();
  server.close();
  if (address === null || typeof address === "string") throw new Error("no port");
  return address.port;
}

const psql = (sql: string) =>
  execFileSync("psql", ["-qAtX", `${cluster}/postgres`, "-c", sql], { stdio: "pipe" });

/** Databases that are copied for each test: with the demo, and without. */
const FILLED = { demo: "e2e_filled_demo", bare: "e2e_filled_bare" };

/** Fills the databases that are copied: run once, before all tests. */
export default async function fill() {
  for (const [kind, name] of Object.entries(FILLED)) {
    psql(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
    const kitchen = new Kitchen(name);
    await kitchen.open(kind === "demo");
    await kitchen.kill();
  }
}

export class Kitchen {
  private child: ChildProcess | null = null;
  url = "";

  constructor(readonly name = `e2e_${randomUUID().replaceAll("-", "")}`) {}

  /** Copied from a database that is filled already, or made from nothing. */
  async open(demo: boolean, copied = false) {
    if (copied) {
      psql(`CREATE DATABASE ${this.name} TEMPLATE ${demo ? FILLED.demo : FILLED.bare}`);
    } else {
      psql(`CREATE DATABASE ${this.name}`);
      // As the service works: behind the walls between households. What the owner makes it may use.
      this.sql(
        `ALTER DEFAULT PRIVILEGES IN SCHEMA public
           GRANT SELECT, INSERT, UPDATE, DELETE ON TABLES TO ember_app;
         ALTER DEFAULT PRIVILEGES IN SCHEMA public GRANT USAGE ON SEQUENCES TO ember_app`,
      );
    }
    this.demo = demo;
    for (let again = 2; ; again -= 1) {
      this.url = `http://127.0.0.1:${await freePort()}`;
      try {
        return await this.start();
      } catch (error) {
        // Between our look and its own somebody else may have taken the port.
        if (again === 0 || !this.complained.includes("is in use")) throw error;
      }
    }
  }

  private demo = true;
  /** Said to the server besides: with doors everybody signs in. */
  doors = false;
  /** All it has said. */
  said = "";
  /** And what it has written of trouble: shown where a test fails. */
  complained = "";

  async start() {
    const { port } = new URL(this.url);
    const owner = `${cluster}/${this.name}`;
    const child = spawn(
      process.env.EMBER_SERVER ?? "../target/debug/ember-server",
      [
        ...["--web-dir", "../web/dist", "--port", port],
        ...(this.demo ? [] : ["--no-demo"]),
        ...(this.doors ? ["--households", "--insecure-lan"] : []),
      ],
      {
        env: {
          ...process.env,
          DATABASE_URL: `${owner}?options=-c%20role%3Dember_app`,
          DATABASE_OWNER_URL: owner,
        },
        stdio: ["ignore", "pipe", "pipe"],
      },
    );
    this.child = child;
    child.stdout?.on("data", (text) => {
      this.said += text;
    });
    child.stderr?.on("data", (text) => {
      this.complained += text;
    });
    for (let tries = 0; tries < 400; tries++) {
      const healthy = await fetch(`${this.url}/api/health`).then(
        (response) => response.ok,
        () => false,
      );
      if (healthy) return;
      if (child.exitCode !== null) {
        throw new Error(`the server ended with ${child.exitCode}: ${this.complained}`);
      }
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error(`the server does not answer: ${this.complained}`);
  }

  /** Something done to its database from outside. */
  sql(text: string) {
    // What is written without saying for whom is of the home's household.
    const env = {
      ...process.env,
      PGOPTIONS: "-c ember.household=00000000-0000-4000-8000-000000000001",
    };
    execFileSync("psql", ["-qAtX", `${cluster}/${this.name}`, "-c", text], { stdio: "pipe", env });
  }

  /** The link that opens it the first time, as it was told at the start. */
  firstLink(): string {
    const found = /within a week, at (\S+)/.exec(this.said)?.[1];
    if (!found) throw new Error(`no link in: ${this.said}`);
    return found;
  }

  /** Everything that happened, so many minutes earlier: as if the time had passed. */
  age(minutes: number) {
    const by = `interval '${minutes} minutes'`;
    this.sql(
      `UPDATE events SET at = at - ${by} FROM cooks WHERE cooks.id = cook_id AND finished_at IS NULL;
       UPDATE cooks SET started_at = started_at - ${by} WHERE finished_at IS NULL`,
    );
  }

  /** As a power cut would. */
  async kill() {
    const { child } = this;
    if (!child || child.exitCode !== null) return;
    const gone = once(child, "exit");
    child.kill("SIGKILL");
    await gone;
  }

  async close() {
    await this.kill();
    psql(`DROP DATABASE IF EXISTS ${this.name} WITH (FORCE)`);
  }
}

interface Fixtures {
  demo: boolean;
  /** Whether everybody signs in. */
  doors: boolean;
  /** The details of sentences and the sections of plans that this cook unfolded before; a new cook has none. */
  shown: string[];
}

/** Everything that can be unfolded. */
export const EVERYTHING = [
  "details",
  "preparation",
  "arrangement",
  "alongside",
  "result",
  "temperatures",
  "measure",
];

/** A kitchen for each test: with the demo's machines and log, or empty. */
export const test = base.extend<Fixtures & { kitchen: Kitchen }>({
  demo: [true, { option: true }],
  doors: [false, { option: true }],
  kitchen: async ({ demo, doors }, use, testInfo) => {
    const kitchen = new Kitchen();
    kitchen.doors = doors;
    // Where everybody signs in, the first start tells the link that opens the kitchen.
    await kitchen.open(demo, !doors);
    await use(kitchen);
    await kitchen.close();
    if (testInfo.status !== testInfo.expectedStatus) {
      const last = kitchen.complained.split("\n").slice(-30).join("\n");
      await testInfo.attach("what the server wrote", { body: last || "nothing", contentType: "text/plain" });
    }
  },
  baseURL: async ({ kitchen }, use) => use(kitchen.url),
  shown: [[], { option: true }],
  page: async ({ page, shown }, use) => {
    // Until the cook folds them: what the browser remembers is not written over.
    await page.addInitScript((names) => {
      const all = Object.fromEntries(names.map((name) => [name, true]));
      localStorage["zesty-ember.shown"] ??= JSON.stringify(all);
    }, shown);
    await use(page);
  },
});

export { expect };

/** Nothing of the demo asks for anything while something else is followed, whatever the time of day. */
export async function nothingElse(page: Page) {
  for (const list of ["/api/suppers?per_page=50", "/api/cooks?state=planned&per_page=50"]) {
    const { items } = (await (await page.request.get(list)).json()) as { items: { id: string }[] };
    for (const { id } of items) {
      const deleted = await page.request.delete(`${list.split("?")[0]}/${id}`);
      expect(deleted.ok(), `${deleted.status()} ${await deleted.text()}`).toBe(true);
    }
  }
}

/** At the fryer a second press within a moment counts for the first one: until that is over. */
export const settled = (page: Page) => expect(page.locator("[data-just-pressed]")).toHaveCount(0);

/** Presses what is due at the fryer, as a cook does who looks first. */
export async function press(button: Locator) {
  await settled(button.page());
  await button.click();
}

/** Follows what a page asks the server; then waits until every answer is there, so that what is read is what is pressed. */
export function answers(page: Page) {
  const open = new Set<Request>();
  page.on("request", (request) => {
    // The stream of changes never ends.
    if (/\/api\/(?!changes)/.test(request.url())) open.add(request);
  });
  const over = (request: Request) => void open.delete(request);
  page.on("requestfinished", over).on("requestfailed", over);
  return async () => {
    do {
      await settled(page);
      await expect.poll(() => open.size).toBe(0);
      // An answer may lead to another question.
      await page.waitForTimeout(150);
    } while (open.size > 0);
  };
}

/** Tells what is asked for before something is due, one after the other, until it is. */
export async function onTo(due: Locator, before: RegExp) {
  const page = due.page();
  const earlier = page.getByRole("button", { name: before }).first();
  for (;;) {
    await expect(due.or(earlier).first()).toBeVisible();
    if (await due.isVisible()) return;
    await press(earlier);
    await settled(page);
  }
}

/** Until nothing moves or fades any more. */
export const still = (page: Page) =>
  page.waitForFunction(() => document.getAnimations().every(({ playState }) => playState !== "running"));

/** Until this browser has kept the answer of a kind that holds the text: it is written a moment after it came. */
export const keptHere = (page: Page, kind: "cook" | "cooks", text: string) =>
  expect
    .poll(() =>
      page.evaluate(
        (kind) =>
          new Promise<string>((resolve) => {
            const opening = indexedDB.open("zesty-ember");
            opening.onsuccess = () => {
              const store = opening.result.transaction("pages").objectStore("pages");
              const reading = store.get("answers");
              reading.onsuccess = () => {
                opening.result.close();
                const queries: { queryKey: unknown[] }[] = reading.result?.clientState.queries ?? [];
                resolve(JSON.stringify(queries.filter(({ queryKey }) => queryKey[0] === kind)));
              };
            };
          }),
        kind,
      ),
    )
    .toContain(text);

/** What axe finds, of all rules or of some. */
export async function complaints(page: Page, rules?: string[]) {
  await still(page);
  // The legacy mode works in the page itself: the other one opens a second page for each answer.
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ["violations"] });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  return violations;
}

/** Nothing serious for a reader with other eyes or hands. */
export async function accessible(page: Page) {
  const violations = await complaints(page);
  const serious = violations.filter((v) => v.impact === "serious" || v.impact === "critical");
  const told = serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(" | ")}`);
  expect(told).toEqual([]);
}

/** Nothing is cut off or pushed out to the side. */
export async function fitsTheWidth(page: Page) {
  const over = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(over).toBeLessThanOrEqual(0);
}

export const word = (page: Page, label: string) =>
  page.getByRole("button", { name: new RegExp(`^${label}:`) });

/** Chooses another text for a word of a sentence. */
export async function choose(page: Page, label: string, choice: RegExp | string) {
  await word(page, label).first().click();
  const popover = page.getByRole("dialog", { name: label });
  await popover.getByRole("button", { name: choice }).first().click();
}
