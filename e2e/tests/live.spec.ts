// A cook as it really goes: alarms anywhere, two devices and two tabs, taking back, changing, a page that was
// away.
import { spawn } from "node:child_process";
import { once } from "node:events";
import { accessible, expect, fitsTheWidth, type Kitchen, onTo, press, settled, test } from "./kitchen";
import type { Page } from "@playwright/test";

test.use({ locale: "en-GB", serviceWorkers: "allow", viewport: { width: 390, height: 844 } });

/** Notes when each tone is to sound, s from when it was asked for. */
const listen = (page: Page) =>
  page.addInitScript(() => {
    const tones: number[] = [];
    Object.assign(window, { tones });
    const param = { setValueAtTime() {}, exponentialRampToValueAtTime() {}, value: 0 };
    class Node {
      frequency = param;
      gain = param;
      connect(to: unknown) {
        return to;
      }
      start(at: number) {
        tones.push(at);
      }
      stop() {}
    }
    class Sounds extends EventTarget {
      state = "suspended";
      currentTime = 0;
      destination = {};
      resume() {
        this.state = "running";
        this.dispatchEvent(new Event("statechange"));
        return Promise.resolve();
      }
      createOscillator = () => new Node();
      createGain = () => new Node();
    }
    Object.assign(window, { AudioContext: Sounds });
  });
const tones = (page: Page) =>
  page.evaluate(() => (window as unknown as { tones: number[] }).tones.splice(0));

async function loaded(page: Page) {
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
}

/** Until it is due, and looked at anew. */
async function until(page: Page, kitchen: Kitchen, minutes: number) {
  kitchen.age(minutes);
  await page.reload();
  await expect(page.getByRole("timer")).toBeVisible();
}

/** Minutes on the clock of the next step, as it shows them: "5:38". */
async function onTheClock(page: Page): Promise<number> {
  const [minutes, seconds] = ((await page.getByRole("timer").textContent()) ?? "").split(":").map(Number);
  return (minutes ?? 0) + (seconds ?? 0) / 60;
}

test("alarms are handed over ahead, ring until answered, and are told on every page", async ({
  page,
  kitchen,
}) => {
  await listen(page);
  await loaded(page);
  // Sounds are handed over when the turn is near.
  await until(page, kitchen, (await onTheClock(page)) - 6);
  await page.getByText("Early alarm 5 min before").click();
  await page.getByRole("button", { name: "Early alarm 10 min before" }).click();
  await page.getByRole("button", { name: "No early alarm" }).click();
  await page.getByRole("button", { name: "Early alarm 1 min before" }).click();
  await page.getByRole("button", { name: "Early alarm 2 min before" }).click();
  await tones(page);
  await until(page, kitchen, 1);
  const touched = async () => {
    await page.mouse.click(5, 400);
    return tones(page);
  };
  await expect.poll(async () => (await touched()).length).toBeGreaterThan(20);
  // The turn alone is due: the check follows some three minutes later.
  await until(page, kitchen, await onTheClock(page));
  // Due, and missed: it rings at once after the first touch, and again.
  await page.goto("/logbook");
  const bar = page.getByRole("status").filter({ hasText: "Turn every piece" });
  await expect(bar).toContainText("now");
  await accessible(page);
  await fitsTheWidth(page);
  await expect.poll(async () => (await touched()).some((at) => at < 1)).toBe(true);
  await bar.getByRole("link", { name: "Cook now" }).click();
  await expect(page.getByRole("timer")).toHaveText("now");
  await page.getByRole("button", { name: "Turned" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Check");
  // Answered: nothing rings now.
  await settled(page);
  await tones(page);
  // The clock goes on for a second: whatever would ring has rung by then.
  const timer = page.getByRole("timer");
  await expect(timer).not.toHaveText((await timer.textContent()) ?? "");
  expect((await tones(page)).filter((at) => at < 1)).toEqual([]);
});

test("two devices are in step, and a double tap counts once", async ({ page, browser, kitchen }) => {
  await loaded(page);
  const phone = await browser.newContext({ baseURL: kitchen.url, locale: "en-GB" });
  const other = await phone.newPage();
  await other.goto(new URL(page.url()).pathname);
  await expect(other.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
  await settled(page);
  await page.getByRole("button", { name: "Turned" }).dblclick();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Check");
  // Sooner than either would ask by itself.
  await expect(other.getByRole("heading", { level: 1 })).toContainText("Check", { timeout: 5_000 });
  await page.getByRole("button", { name: "Undo: turned" }).click();
  await expect(other.getByRole("heading", { level: 1 })).toContainText("Turn", { timeout: 5_000 });
  await phone.close();
});

test("a page that begins to listen late learns what happened before", async ({ page, browser, kitchen }) => {
  await loaded(page);
  const phone = await browser.newContext({ baseURL: kitchen.url, locale: "en-GB" });
  const other = await phone.newPage();
  let letThrough = () => {};
  const heldBack = new Promise<void>((resolve) => {
    letThrough = resolve;
  });
  await other.route("**/api/changes", async (route) => {
    await heldBack;
    await route.continue();
  });
  await other.goto(new URL(page.url()).pathname);
  await expect(other.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
  await press(page.getByRole("button", { name: "Turned" }));
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Check");
  letThrough();
  await expect(other.getByRole("heading", { level: 1 })).toContainText("Check", { timeout: 5_000 });
  await phone.close();
});

test("two tabs without a server lose nothing of each other", async ({ page, context, kitchen }) => {
  await loaded(page);
  const tab = await context.newPage();
  await tab.goto(new URL(page.url()).pathname);
  await expect(tab.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
  await kitchen.kill();
  await page.getByRole("button", { name: "Turned" }).click();
  await expect(tab.getByRole("heading", { level: 1 })).toContainText("Check");
  await tab.getByRole("button", { name: "Change", exact: true }).click();
  await tab.getByRole("button", { name: "golden" }).click();
  await tab.getByRole("button", { name: "OK" }).click();
  await expect(page.getByText("2 not sent yet")).toBeVisible();
  await kitchen.start();
  await expect(page.getByText("not sent yet")).toHaveCount(0);
  await expect(tab.getByText("not sent yet")).toHaveCount(0);
  const id = page.url().split("/").pop();
  const cook = await (await page.request.get(`/api/cooks/${id}`)).json();
  const kinds = cook.events.map((event: { happening: { kind: string } }) => event.happening.kind);
  expect(kinds).toEqual(["started", "step_done", "step_done", "looks"]);
});

test("a change shows what it does before it is told", async ({ page, kitchen }) => {
  await loaded(page);
  await until(page, kitchen, 6);
  await page.getByRole("button", { name: "Change", exact: true }).click();
  await page.getByRole("button", { name: "10 min more" }).click();
  await expect(page.getByText(/Out at .*(9½|10) min later/)).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole("button", { name: "Set the dial to, lower" }).click();
  await page.getByRole("button", { name: "Set the dial to, lower" }).click();
  await expect(page.getByText(/Out at .* later/)).toBeVisible();
  await page.getByRole("button", { name: "OK" }).click();
  await expect(page.getByText("190 °C", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Undo: dial set" }).click();
  await expect(page.getByText("200 °C", { exact: true })).toBeVisible();
});

test("a page that was away tells first what it missed", async ({ page, kitchen }) => {
  await loaded(page);
  await until(page, kitchen, 17);
  await page.evaluate(() => {
    const real = Date.now;
    const hide = (hidden: boolean) => {
      Object.defineProperty(document, "hidden", { configurable: true, get: () => hidden });
      document.dispatchEvent(new Event("visibilitychange"));
    };
    Date.now = () => real() - 10 * 60_000;
    hide(true);
    Date.now = real;
    hide(false);
  });
  await expect(page.getByRole("alert")).toContainText("This page was away for 10 min");
  await expect(page.getByRole("alert")).toContainText("Turn every piece was due");
});

test("a reading is answered without a server, anything else is said not to be", async ({
  page,
  kitchen,
}) => {
  await loaded(page);
  await until(page, kitchen, 13);
  await kitchen.kill();
  await page.getByRole("button", { name: "Temperature", exact: true }).click();
  await page.keyboard.type("40");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/Core 40 °C: about \d.* more, by the last answer/)).toBeVisible();
  await page.getByRole("button", { name: "Change", exact: true }).click();
  await page.getByRole("button", { name: "Basted with fat" }).click();
  await page.getByRole("button", { name: "OK" }).click();
  await expect(page.getByText("Not computed without the server")).toBeVisible();
  await kitchen.start();
  await expect(page.getByText(/^Core 40 °C at .*Inside done in/)).toBeVisible();
});

test("the practice thermometer from loading to the log", async ({ page, kitchen }) => {
  await loaded(page);
  await until(page, kitchen, 24);
  await page.getByRole("button", { name: "Change", exact: true }).click();
  await page.getByRole("button", { name: "Add thermometer" }).click();
  const address = page.getByText(/It sends to .*readings/);
  await expect(address).toBeVisible();
  const token = /thermometers\/(\w+)\//.exec((await address.textContent()) ?? "")?.[1] ?? "";
  const core = page.getByRole("button", { name: "core of this cook" }).first();
  await core.click();
  await expect(core).toHaveAttribute("aria-pressed", "true");
  await accessible(page);
  await page.getByRole("button", { name: "Back" }).click();
  // 24 minutes of its own truth in as many seconds, as if it had been in from the beginning.
  const probe = spawn("../target/debug/ember-probe", [
    ...["--url", kitchen.url, "--token", token, "--began-ago", "1440", "--speed", "60"],
    ...["--minutes", "24", "--setting", "200", "--seed", "5"],
  ]);
  const ended = once(probe, "exit");
  await expect(page.getByText(/^Probe 1: /)).toBeVisible();
  expect((await ended)[0]).toBe(0);
  await expect(page.getByText(/^Core \d+ °C at .*expected/)).toBeVisible();
  await page.getByRole("button", { name: "Turned" }).click();
  const out = page.getByRole("button", { name: "Taken out" });
  const finish = page.getByRole("button", { name: "Finish" });
  // A check may be asked for before it is out, a rest after it.
  await onTo(out, /^Skip$/);
  await press(out);
  await press(finish);
  await page.getByRole("button", { name: "crisp", exact: true }).click();
  await page.getByRole("button", { name: "just right" }).click();
  await page.getByRole("button", { name: "Save to logbook" }).click();
  await expect(page.getByRole("link", { name: /See how it went/ })).toBeVisible();
});

test("a practice thermometer from the screen says that it is one", async ({ page, kitchen }) => {
  await loaded(page);
  await until(page, kitchen, 12);
  await page.getByRole("button", { name: "Change", exact: true }).click();
  await page.getByRole("button", { name: "Try it with a practice thermometer" }).click();
  await expect(page.getByRole("button", { name: "A practice thermometer sends" })).toBeVisible();
  await page.getByRole("button", { name: "Back" }).click();
  await expect(page.getByText(/^Probe 1: \d+ °C/)).toBeVisible();
  await expect(page.getByText(/^Probe 2: air/)).toBeVisible();
  await expect(page.getByText(/A practice thermometer is played here/)).toBeVisible();
});
