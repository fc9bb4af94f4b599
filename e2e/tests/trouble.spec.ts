// Reloads, power cuts, no connection, and places that are still empty.
import { accessible, expect, keptHere, nothingElse, press, settled, test, word } from "./kitchen";

test.use({ locale: "en-GB", serviceWorkers: "allow" });

test("a reload and a killed server in mid-cook lose nothing", async ({ page, kitchen }) => {
  await nothingElse(page);
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  const heading = page.getByRole("heading", { level: 1 });
  // Until the server has answered, the turn is due by when the cook was started.
  const answered = page.waitForResponse((one) => one.request().postData()?.includes("step_done") ?? false);
  await page.getByRole("button", { name: "Loaded" }).click();
  await answered;
  await expect(heading).toContainText("Turn every piece");
  // What the server said is what is shown.
  await settled(page);
  const due = await page.getByText(/at \d\d:\d\d · /).textContent();
  await page.reload();
  await expect(heading).toContainText("Turn every piece");
  await expect(page.getByText(/at \d\d:\d\d · /)).toHaveText(due ?? "");

  await kitchen.kill();
  await page.getByRole("button", { name: "Turned" }).click();
  // The page goes on by itself and keeps the report.
  await expect(heading).toContainText("Check with the thermometer");
  await expect(page.getByText("1 not sent yet")).toBeVisible();
  await kitchen.start();
  await expect(page.getByText("1 not sent yet")).toHaveCount(0);
  await page.reload();
  await expect(heading).toContainText("Check with the thermometer");
});

test("a kept report outlives the page", async ({ page, kitchen }) => {
  await nothingElse(page);
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  const heading = page.getByRole("heading", { level: 1 });
  await expect(heading).toContainText("Load");
  await kitchen.kill();
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByText("1 not sent yet")).toBeVisible();
  const address = page.url();
  await page.goto("about:blank");
  await kitchen.start();
  await page.goto(address);
  await expect(heading).toContainText("Turn every piece");
});

test("a server that is busy for a moment is asked again", async ({ page }) => {
  const busy = (code: string) => ({
    status: 503,
    contentType: "application/problem+json",
    body: JSON.stringify({ title: "Busy", status: 503, code, message: { text: "Busy.", values: [] } }),
  });
  // What changes elsewhere is heard of again, though a browser gives up on an answer that is no stream.
  let refused = 0;
  await page.route("**/api/changes", async (route) => {
    refused += 1;
    await (refused === 1 ? route.fulfill(busy("busy")) : route.continue());
  });
  await page.goto("/plan");
  await expect.poll(() => refused).toBeGreaterThan(1);
  // And so is a press, once, however often it was sent.
  let kept = 0;
  await page.route(/\/api\/cooks\?id=/, async (route) => {
    kept += 1;
    await (kept === 1 ? route.fulfill(busy("database_busy")) : route.continue());
  });
  const count = async () => ((await (await page.request.get("/api/cooks?per_page=50")).json()) as { total: number }).total;
  const before = await count();
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  expect(kept).toBe(2);
  expect(await count()).toBe(before + 1);
});

test("no server: every place says so and offers to try again", async ({ page }) => {
  await page.goto("/logbook");
  await expect(page.getByRole("article").first()).toBeVisible();
  await keptHere(page, "cooks", "Cider chops");
  await keptHere(page, "cook", "Drumsticks for tonight");
  await page.route("**/api/**", (route) => route.abort());
  // What was seen before is still there, and everywhere it says so.
  for (const [path, seen] of [
    ["/", "Drumsticks for tonight"],
    ["/fryer", "Drumsticks for tonight"],
    ["/logbook", "Cider chops"],
  ] as const) {
    await page.goto(path);
    await expect(page.getByText(seen).first()).toBeVisible();
    await expect(page.getByText("Can't reach the server").first()).toBeVisible();
  }
  await page.goto("/plan");
  await expect(page.getByRole("alert")).toContainText("Can't reach the server", { timeout: 15_000 });
  await accessible(page);
  await page.unroute("**/api/**");
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(word(page, "Cut")).toBeVisible();
});

test("a cook goes on from cold with the network gone", async ({ page, context, kitchen }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  const heading = page.getByRole("heading", { level: 1 });
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(heading).toContainText("Turn every piece");
  // Installed, and what is needed of the cook is kept.
  await page.evaluate(() => navigator.serviceWorker.ready);
  await keptHere(page, "cook", '"step_done"');
  const address = page.url();
  await page.close();
  await context.setOffline(true);
  await kitchen.kill();
  const cold = await context.newPage();
  await cold.goto(address);
  const again = cold.getByRole("heading", { level: 1 });
  await expect(again).toContainText("Turn every piece");
  await expect(cold.getByRole("timer")).toHaveText(/^\d+:\d\d$/);
  await cold.getByRole("button", { name: "Turned" }).click();
  await expect(again).toContainText("Check");
  await expect(cold.getByText("1 not sent yet")).toBeVisible();
  // Told while it was gone, and still there after another cold start.
  await cold.reload();
  await expect(again).toContainText("Check");
  // Closed once, however often it is looked at.
  await cold.getByRole("button", { name: "Skip" }).click();
  await press(cold.getByRole("button", { name: "Taken out" }));
  await cold.getByRole("button", { name: "Finish" }).click();
  await cold.getByRole("button", { name: "crisp", exact: true }).click();
  await cold.getByRole("button", { name: "just right" }).click();
  await cold.getByRole("button", { name: "Save to logbook" }).click();
  await expect(cold.getByText("It is closed here")).toBeVisible();
  await cold.reload();
  await expect(cold.getByText("It is closed here")).toBeVisible();
  await kitchen.start();
  await context.setOffline(false);
  await expect(cold.getByRole("link", { name: /See how it went/ })).toBeVisible();
});

test("offline is told, and the countdown goes on", async ({ page, context }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Turn");
  await context.setOffline(true);
  await expect(page.getByText("No connection.")).toBeVisible();
  const before = await page.getByRole("timer").textContent();
  await expect(page.getByRole("timer")).not.toHaveText(before ?? "");
  await context.setOffline(false);
  await expect(page.getByText("No connection.")).toHaveCount(0);
});

test("deleting can be undone", async ({ page }) => {
  await page.goto("/logbook");
  const rows = page.getByRole("article");
  await expect(rows).toHaveCount(8);
  await page.getByRole("button", { name: "Delete Marmalade thighs" }).click();
  await expect(rows).toHaveCount(7);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(rows).toHaveCount(8);
});

test("a cook can be renamed, and an unknown one is told", async ({ page }) => {
  await page.goto("/logbook");
  await page.getByRole("link", { name: "Small pork loin on the spit", exact: true }).click();
  await page.getByRole("button", { name: "Rename" }).click();
  await page.getByRole("textbox", { name: "Name of the cook" }).fill("Loin for two");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Loin for two" })).toBeVisible();
  // And again: it is known which one is renamed.
  await page.getByRole("button", { name: "Rename" }).click();
  await page.getByRole("textbox", { name: "Name of the cook" }).fill("Loin for three");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Loin for three" })).toBeVisible();
  await page.goto("/fryer/00000000-0000-4000-8000-000000000000");
  await expect(page.getByRole("alert")).toContainText("not here any more");
  await page.goto("/nowhere");
  await expect(page.getByText("Page not found")).toBeVisible();
  await accessible(page);
});

test.describe("an empty kitchen", () => {
  test.use({ demo: false });

  test("starts with the sentence and a typical machine; empty places say what will be there", async ({
    page,
  }) => {
    await page.goto("/");
    await page.getByRole("button", { name: "Skip" }).click();
    await expect(page.getByRole("link", { name: /^Cook 8 drumsticks/ })).toBeVisible();
    await page.getByRole("link", { name: "New plan" }).click();
    await expect(word(page, "Machine")).toHaveText("a compact drum");
    await page.goto("/fryer");
    await expect(page.getByText("Nothing is cooking")).toBeVisible();
    await accessible(page);
    await page.goto("/logbook");
    await expect(page.getByText("Nothing cooked yet")).toBeVisible();
    await accessible(page);
    await page.getByRole("link", { name: "Plan the first one" }).click();
    await expect(word(page, "Cut")).toBeVisible();
  });
});
