// Supper: several dishes towards one time, by mouse and keyboard, at both sizes; running late.
import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { Ajv2020 } from "ajv/dist/2020.js";
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB" });

/** Two cooks and two sides, tomorrow evening. */
async function lay(page: Page) {
  await page.goto("/supper");
  await choose(page, "Add a cook", "party wings");
  await choose(page, "Add a cook", "pork loin roasts");
  await choose(page, "Add a side", /^green beans/);
  await choose(page, "Add a side", /^a cold sauce/);
  await choose(page, "Day", "tomorrow");
  await choose(page, "Getting ready", /^salted and bare overnight/);
  await expect(page.getByText("Let it dry in the fridge, on a rack, uncovered").first()).toBeVisible();
}

test("a supper from the evening before to the table", async ({ page }) => {
  await lay(page);
  // The same in order of the clock, from tonight on.
  await expect(page.getByText("Today", { exact: true })).toBeVisible();
  await expect(page.getByText("Tomorrow", { exact: true })).toBeVisible();
  await expect(page.getByRole("slider", { name: "On the table" })).toHaveAttribute(
    "aria-valuetext",
    "tomorrow 19:00",
  );
  await expect(page.getByText(/^12 party wings: ready at 19:00/)).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  // A reload loses nothing that is not kept yet.
  await page.reload();
  await expect(word(page, "Getting ready").first()).toHaveText("salted and bare overnight");

  // The table is moved by keyboard and with the mouse.
  const table = page.getByRole("slider", { name: "On the table" });
  await table.focus();
  await page.keyboard.press("ArrowRight");
  await expect(word(page, "On the table at")).toHaveText("19:05");
  await page.getByRole("button", { name: "the last hour" }).click();
  await table.scrollIntoViewIfNeeded();
  const box = await table.boundingBox();
  if (!box) throw new Error("the table has no place on the screen");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 200, y, { steps: 4 });
  await page.mouse.up();
  await expect(word(page, "On the table at")).not.toHaveText("19:05");

  const text = page.waitForEvent("download");
  await page.getByRole("button", { name: "As text" }).click();
  const told = await readFile(await (await text).path(), "utf8");
  expect(told).toContain("## By the clock");
  expect(told).toContain("fine salt");
  const file = page.waitForEvent("download");
  await page.getByRole("button", { name: "As a file" }).click();
  const saved = await readFile(await (await file).path(), "utf8");
  // Ajv, an independent reader of JSON Schema.
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  const valid = ajv.compile(await (await page.request.get("/api/suppers/schema")).json());
  expect(valid(JSON.parse(saved)), ajv.errorsText(valid.errors)).toBe(true);
  expect(valid({ name: "half a supper" })).toBe(false);
  await page.getByRole("button", { name: "Begin anew" }).click();
  await expect(page.getByRole("button", { name: /^Leave out/ })).toHaveCount(0);
  await page.getByLabel("File of a supper").setInputFiles({
    name: "supper.json",
    mimeType: "application/json",
    buffer: Buffer.from(saved),
  });
  await expect(page.getByRole("button", { name: /^Leave out/ })).toHaveCount(4);
  await page.getByLabel("File of a supper").setInputFiles({
    name: "notes.json",
    mimeType: "application/json",
    buffer: Buffer.from("two eggs"),
  });
  await expect(page.getByRole("alert")).toContainText("“notes.json” holds no supper");
});

test("a kept supper is planned anew around what has begun", async ({ page }) => {
  await page.goto("/supper");
  await choose(page, "Add a cook", "drumsticks");
  await choose(page, "Getting ready", /^bare for half an hour/);
  await choose(page, "Day", "as soon as it can be");
  await expect(page.getByText("By the clock")).toBeVisible();
  await page.getByRole("button", { name: "Keep this supper" }).click();
  await page.waitForURL("**/supper/*");
  await expect(page.getByRole("timer")).toBeVisible();
  const serve = await page.getByRole("slider", { name: "On the table" }).getAttribute("aria-valuetext");
  for (let late = 0; late < 3; late += 1) {
    await page.getByRole("button", { name: "5 min more" }).first().click();
    await expect(page.getByText(/^Moved: /)).toBeVisible();
  }
  await expect(page.getByRole("slider", { name: "On the table" })).not.toHaveAttribute(
    "aria-valuetext",
    serve ?? "",
  );
  await page.getByRole("button", { name: "Done", exact: true }).first().click();
  await expect(page.getByText(/^done at/).first()).toBeVisible();
  await accessible(page);
  const calendar = page.waitForEvent("download");
  await page.getByRole("link", { name: "For the calendar" }).click();
  const ics = await readFile(await (await calendar).path(), "utf8");
  expect(ics).toContain("BEGIN:VALARM");

  await page.goto("/supper");
  await page.getByRole("button", { name: "Delete Supper", exact: true }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Delete Supper", exact: true })).toBeVisible();
});

test("what does not go says why, and offers ways out", async ({ page }) => {
  await lay(page);
  await choose(page, "Day", "today");
  await word(page, "On the table at").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill("supper time");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").last()).toContainText("“supper time” is not a time of day");
  await page.keyboard.press("Escape");
  await word(page, "Time of green beans").click();
  await page.getByRole("textbox", { name: "Time of green beans" }).fill("30 h");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").last()).toContainText("30 h is longer than a day");
  await page.keyboard.press("Escape");
  // In twenty minutes: too little for a roast.
  const soon = new Date(Date.now() + 20 * 60_000);
  const clock = `${String(soon.getUTCHours()).padStart(2, "0")}:${String(soon.getUTCMinutes()).padStart(2, "0")}`;
  await word(page, "On the table at").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill(clock);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText(/It does not go like that|has passed/);
  await expect(page.getByRole("button", { name: /^Leave out/ })).toHaveCount(4);
});

test.describe("on a phone, by keyboard", () => {
  test.use({ viewport: { width: 390, height: 844 }, colorScheme: "dark" });

  test("the demo's supper says one next thing", async ({ page }) => {
    await page.goto("/supper");
    await page.getByRole("link", { name: "Supper for the ferry crew" }).focus();
    await page.keyboard.press("Enter");
    await page.waitForURL("**/supper/*");
    await expect(page.getByRole("timer")).toBeVisible();
    await expect(page.getByText("Blot every piece dry").first()).toBeVisible();
    await fitsTheWidth(page);
    await accessible(page);
  });
});

test("from the plan to the supper, with the school the plan counts with", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "salted and bare overnight" }).click();
  await page.getByRole("button", { name: "Do it so" }).click();
  await expect(page.getByText("The plan counts with it.")).toBeVisible();
  await word(page, "Time: Let it dry in the fridge, on a rack, uncovered").click();
  await page.getByRole("textbox", { name: "Time", exact: true }).fill("3 h");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Write 4 h to 24 h.");
  await page.getByRole("textbox", { name: "Time", exact: true }).fill("8 h");
  await page.keyboard.press("Enter");
  await expect(page.getByText("The plan counts with it.")).toBeVisible();
  await accessible(page);
  await page.getByRole("button", { name: "To a supper" }).click();
  await choose(page, "Day", "tomorrow");
  await expect(page.getByText("Let it dry in the fridge, on a rack, uncovered").first()).toBeVisible();
});
