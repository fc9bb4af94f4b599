// Documents of a kitchen: what cannot be shown, two tabs at the same thing, what a household agrees on.
import { accessible, expect, fitsTheWidth, Kitchen, test, word } from "./kitchen";

test.use({ locale: "en-GB" });

test("what cannot be shown hides nothing else, and is exported or deleted", async ({
  page,
  kitchen,
}) => {
  kitchen.sql(`UPDATE cooks SET request = '{"version": 9, "holds": {}}' WHERE name = 'Cider chops'`);
  kitchen.sql(`UPDATE machines SET profile = '3' WHERE name = 'the shelves'`);
  await page.goto("/logbook");
  await expect(page.getByRole("article")).toHaveCount(7);
  await expect(page.getByText("Cider chops cannot be shown: a newer version")).toBeVisible();
  await accessible(page);
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Export Cider chops" }).click();
  expect((await download).suggestedFilename()).toBe("stored.json");
  await page.getByRole("button", { name: "Delete Cider chops", exact: true }).click();
  await expect(page.getByText("Cider chops cannot be shown")).toHaveCount(0);

  await page.goto("/kitchen");
  await expect(page.getByText("the shelves cannot be shown: the stored document is damaged")).toBeVisible();
  await expect(page.getByRole("link", { name: "Change" }).first()).toBeVisible();
  // A plan is made with the one that is left.
  await page.goto("/plan");
  await expect(word(page, "Machine")).toHaveText("the drum");
});

test("two devices change one machine: what differs is decided, the rest is merged", async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await tab.goto("/kitchen");
    await tab.getByRole("link", { name: "Change" }).first().click();
    await expect(word(tab, "Name")).toHaveText("the drum");
  }
  const say = async (tab: typeof page, label: string, text: string) => {
    await word(tab, label).click();
    await tab.getByRole("textbox", { name: label }).fill(text);
    await tab.keyboard.press("Enter");
  };
  const save = (tab: typeof page) => tab.getByRole("button", { name: "Save", exact: true }).click();
  await say(page, "Name", "the barrel");
  await say(page, "Power", "1600");
  await save(page);
  await page.waitForURL("**/kitchen");
  await expect(page.getByText("the barrel").first()).toBeVisible();
  await say(other, "Name", "the cask");
  await save(other);
  const screen = other.getByRole("alert", { name: "Changed on two devices" });
  await expect(screen.getByText("this device: the cask")).toBeVisible();
  await expect(screen.getByText("other device: the barrel")).toBeVisible();
  // What only one changed is no question.
  await expect(screen.getByText("Taken from the other device: power.")).toBeVisible();
  await accessible(other);
  // One can go on changing, also after a reload: what it was changed from is still known.
  await screen.getByRole("button", { name: "Back to my changes" }).click();
  await other.reload();
  await expect(word(other, "Name")).toHaveText("the cask");
  await save(other);
  await screen.getByRole("button", { name: "Save this" }).click();
  await other.waitForURL("**/kitchen");
  await expect(other.getByRole("listitem").filter({ hasText: "the cask" })).toContainText("1600 W");
  await expect(other.getByText("the barrel")).toHaveCount(0);
});

test("two devices change different things of one machine: both stand, and nobody is asked", async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await tab.goto("/kitchen");
    await tab.getByRole("link", { name: "Change" }).first().click();
    await expect(word(tab, "Name")).toHaveText("the drum");
  }
  for (const [tab, label, text] of [
    [page, "Name", "the barrel"],
    [other, "Power", "1600"],
  ] as const) {
    await word(tab, label).click();
    await tab.getByRole("textbox", { name: label }).fill(text);
    await tab.keyboard.press("Enter");
    await tab.getByRole("button", { name: "Save", exact: true }).click();
    await tab.waitForURL("**/kitchen");
  }
  await expect(other.getByRole("listitem").filter({ hasText: "the barrel" })).toContainText("1600 W");
});

test("a machine that is deleted comes back with its history", async ({ page }) => {
  await page.goto("/kitchen");
  await page.getByRole("button", { name: "Delete the drum" }).click();
  await expect(page.getByText("“the drum” is deleted.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Delete the drum" })).toBeVisible();
  await page.goto("/kitchen");
  await page.getByRole("button", { name: "Delete the drum" }).click();
  // Its cooks were counted by the machine, so they are its own still.
  await expect(page.getByText(/“the drum” is deleted\..*\d+ cooks/)).toBeVisible();
});

test("what two devices choose for the household at once both stands", async ({ page, browser, baseURL }) => {
  const there = await (await browser.newContext({ baseURL })).newPage();
  for (const device of [page, there]) {
    await device.goto("/kitchen");
    await expect(device.getByRole("region", { name: "Kitchen and table" })).toBeVisible();
  }
  await page.getByRole("button", { name: /^Temperatures in/ }).click();
  await expect.poll(async () => (await (await page.request.get("/api/settings")).json()).revision).toBe(1);
  // The other device has not looked since.
  await there.getByRole("button", { name: /^Weights in/ }).click();
  const agreed = async () => (await (await page.request.get("/api/settings")).json()).settings;
  await expect.poll(agreed).toMatchObject({ temperature: "fahrenheit", weight: "imperial" });
});

test("a household agrees on its units", async ({ page, browser, baseURL }) => {
  await page.goto("/plan");
  await expect(word(page, "Thickness")).toContainText("mm");
  await page.keyboard.press("u");
  await expect(word(page, "Thickness")).toContainText("in");
  // Another device that never chose anything.
  const phone = await browser.newContext({ ...(baseURL ? { baseURL } : {}), locale: "en-GB" });
  const there = await phone.newPage();
  await there.goto("/plan");
  await expect(word(there, "Thickness")).toContainText("in");
  await phone.close();
});

test("every page of suppers is reached", async ({ page, kitchen }) => {
  kitchen.sql(
    `INSERT INTO suppers (id, name, document, scheduled, summary, created_at, changed_at)
     SELECT gen_random_uuid(), 'Supper ' || n, document, scheduled, summary,
            created_at - n * interval '1 hour', changed_at FROM suppers, generate_series(1, 55) AS n`,
  );
  await page.goto("/supper");
  await expect(page.getByText("page 1 of 6")).toBeVisible();
  for (let turned = 1; turned < 6; turned++) {
    await page.getByRole("button", { name: "Older" }).click();
    await expect(page.getByText(`page ${turned + 1} of 6`)).toBeVisible();
  }
  await expect(page.getByRole("link", { name: "Supper 55" })).toBeVisible();
  await page.getByRole("button", { name: "Delete Supper 55" }).click();
  await expect(page.getByText("“Supper 55” is deleted.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: "Supper 55" })).toBeVisible();
});

test("a whole kitchen goes out as a file and into another one; and one is deleted for good", async ({
  page,
}) => {
  await page.goto("/kitchen");
  const section = (of: typeof page) => of.getByRole("region", { name: "Everything of this kitchen" });
  await expect(section(page).getByText(/2 of at most 200 machines/)).toBeVisible();
  const coming = page.waitForEvent("download");
  await section(page).getByText("Save everything as a file").click();
  const file = await (await coming).path();

  const other = new Kitchen();
  await other.open(false);
  try {
    await page.goto(`${other.url}/kitchen`);
    await section(page).locator("input[type=file]").setInputFiles({
      name: "kitchen.zip",
      mimeType: "application/zip",
      buffer: Buffer.from("not a zip"),
    });
    await expect(section(page).getByRole("alert")).toContainText("no archive of a kitchen");
    await section(page).locator("input[type=file]").setInputFiles(file);
    await expect(section(page).getByText(/^Added: 2 machines,.*9 cooks/)).toBeVisible();
    await section(page).locator("input[type=file]").setInputFiles(file);
    await expect(section(page).getByText(/^Nothing new in it/)).toBeVisible();
    await page.goto(`${other.url}/logbook`);
    await expect(page.getByRole("link", { name: "Cider chops", exact: true })).toBeVisible();

    await page.goto(`${other.url}/kitchen`);
    await section(page).getByRole("button", { name: "Delete everything for good" }).click();
    await section(page).getByRole("button", { name: "Delete everything", exact: true }).click();
    await expect(section(page).getByRole("alert")).toContainText("Type the name of the household");
    await accessible(page);
    await fitsTheWidth(page);
    await section(page).getByLabel(/type the name of the household/).fill("Home");
    await section(page).getByRole("button", { name: "Delete everything", exact: true }).click();
    await page.waitForURL(`${other.url}/`);
    await page.goto(`${other.url}/kitchen`);
    await expect(page.getByText("None yet. Add yours below.")).toBeVisible();
  } finally {
    await other.close();
  }
});
