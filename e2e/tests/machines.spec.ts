// Kitchen: the cook's machines, typical ones, drawn to scale; files in and out.
import { readFile } from "node:fs/promises";
import { Ajv2020 } from "ajv/dist/2020.js";
import { accessible, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB" });

test("a machine is begun from a typical one, measured, kept, and cooked in", async ({ page }) => {
  await page.goto("/kitchen");
  await expect(page.getByRole("heading", { name: "the drum" })).toBeVisible();
  await expect(page.getByText("· typical").first()).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  await page.getByRole("link", { name: "Begin from a family drawer" }).click();
  await word(page, "Name").click();
  await page.getByRole("textbox", { name: "Name" }).fill("the old drawer");
  await page.keyboard.press("Enter");
  await word(page, "Inside width").click();
  const width = page.getByRole("textbox", { name: "Inside width" });
  await width.fill("about a hand");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("is not a number with a unit");
  await expect(width).toHaveValue("about a hand");
  await width.fill("31 cm");
  await page.keyboard.press("Enter");
  // Drawn as it is edited.
  await expect(page.getByRole("img", { name: /^From above: 310 by/ })).toBeVisible();
  await word(page, "Free height").click();
  await page.getByRole("textbox", { name: "Free height" }).fill("0");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("it can be");
  await page.keyboard.press("Escape");
  await accessible(page);
  // A reload loses nothing.
  await page.reload();
  await expect(word(page, "Inside width")).toHaveText("310 mm");
  await page.getByRole("button", { name: "Add machine" }).click();
  await expect(page.getByRole("heading", { name: "the old drawer" })).toBeVisible();
  await page.goto("/plan");
  await word(page, "Machine").click();
  await page.getByRole("button", { name: /^the old drawer/ }).click();
  await expect(page.getByText("in the old drawer, one layer")).toBeVisible();
});

test("what cannot be is refused beside it; changes can be undone", async ({ page }) => {
  await page.goto("/kitchen");
  await page.getByRole("link", { name: "Change" }).last().click();
  await expect(word(page, "Name")).toHaveText("the shelves");
  await word(page, "Floor to element").click();
  await page.getByRole("textbox", { name: "Floor to element" }).fill("100 mm");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("element");
  await expect(word(page, "Floor to element")).toHaveText("100 mm");
  await page.getByRole("button", { name: "Undo the changes" }).click();
  await expect(page.getByRole("alert")).toHaveCount(0);
  await page.getByRole("button", { name: "one more" }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("leaves 15 mm above it");
  await word(page, "Rack 4").click();
  await page.getByRole("textbox", { name: "Rack 4" }).fill("160 mm");
  await page.keyboard.press("Enter");
  await word(page, "Name").click();
  await page.getByRole("textbox", { name: "Name" }).fill("the drum");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("the drum");
});

test("a deleted machine stays with its cooks, and comes back", async ({ page }) => {
  await page.goto("/kitchen");
  await page.getByRole("button", { name: "Delete the drum" }).click();
  await expect(page.getByText(/“the drum” is deleted. \d+ cooks keep it/)).toBeVisible();
  await expect(page.getByRole("heading", { name: "the drum" })).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { name: "the drum" })).toBeVisible();
  await page.goto("/logbook");
  await page.getByRole("link", { name: "Cider chops", exact: true }).click();
  await expect(page.getByText("the drum").first()).toBeVisible();
});

test("machines travel as a file that its schema describes", async ({ page, request }) => {
  await page.goto("/kitchen");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save them as a file" }).click();
  const text = await readFile(await (await download).path(), "utf8");
  const document = JSON.parse(text);
  // Ajv, an independent reader of JSON Schema.
  const schema = await (await request.get("/api/machines/schema")).json();
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  const valid = ajv.compile(schema);
  expect(valid(document), ajv.errorsText(valid.errors)).toBe(true);
  expect(valid({ ...document, machines: [{ name: "half a machine" }] })).toBe(false);

  await page.getByRole("button", { name: "Delete the shelves" }).click();
  await expect(page.getByRole("heading", { name: "the shelves" })).toHaveCount(0);
  const file = page.getByLabel("File of machines");
  const from = (name: string, content: string) =>
    file.setInputFiles({ name, mimeType: "application/json", buffer: Buffer.from(content) });
  await from("machines.json", text);
  await expect(page.getByRole("heading", { name: "the shelves" })).toBeVisible();
  await expect(page.getByText("Added: the shelves. There already: the drum.")).toBeVisible();
  await from("notes.json", "two eggs");
  await expect(page.getByRole("alert")).toContainText("“notes.json” holds no machines");
  document.machines[0].height_mm = 0;
  await from("machines.json", JSON.stringify(document));
  await expect(page.getByRole("alert")).toContainText("Nothing was added.");
});
