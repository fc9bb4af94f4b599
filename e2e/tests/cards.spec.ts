// What a cook writes down to use again: ways of getting meat ready, and blends.
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB" });

test("a method is written down, changed, and counted with", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "salted and bare overnight" }).click();
  await page.getByRole("button", { name: "Copy and edit" }).click();
  await word(page, "Name of your way").click();
  await page.getByRole("textbox", { name: "Name of your way" }).fill("from lunch to supper");
  await page.keyboard.press("Enter");
  await word(page, "Task 3 at least").click();
  await page.getByRole("textbox", { name: "Task 3 at least" }).fill("2 h");
  await page.keyboard.press("Enter");
  await word(page, "Time of task 3").click();
  await page.getByRole("textbox", { name: "Time of task 3" }).fill("80 h");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Write 1 min to 72 h.");
  await page.getByRole("textbox", { name: "Time of task 3" }).fill("6 h");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Leave out task 1" }).click();
  await word(page, "On it: salt for its weight").click();
  await page.getByRole("textbox", { name: "Salt" }).fill("9");
  await page.keyboard.press("Enter");
  await accessible(page);
  await fitsTheWidth(page);
  // A reload loses nothing of it; what cannot be is told, and stays to be mended.
  await page.reload();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("9.0 %, not within 0.1-3 %");
  await word(page, "On it: salt for its weight").click();
  await page.getByRole("textbox", { name: "Salt" }).fill("1.2");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByRole("button", { name: "from lunch to supper", exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Use this method" }).click();
  await expect(page.getByText("Used in this plan.")).toBeVisible();
  // The caution of raw poultry moved to what is first now.
  const steps = page.getByRole("listitem").filter({ hasText: "Salt it all over" }).first();
  await expect(steps).toContainText("Do not wash raw poultry");
  // By hand: 1.2 % of eight times 115 g are 11 g.
  await expect(page.getByText("11 g", { exact: true })).toBeVisible();

  await page.getByRole("button", { name: "Change it" }).click();
  await choose(page, "What task 2 is", "covered in the fridge");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Used in this plan.")).toBeVisible();

  // It goes into a supper under its name.
  await page.getByRole("button", { name: "Add to supper" }).click();
  await choose(page, "Day", "tomorrow");
  await expect(word(page, "Getting ready")).toHaveText("from lunch to supper");
  await page.goto("/kitchen");
  await page.getByRole("button", { name: /^Delete from lunch to supper/ }).click();
  await expect(page.getByText("What was planned with it keeps it.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: /^Delete from lunch to supper/ })).toBeVisible();
});

test.describe("on a phone, by keyboard", () => {
  test.use({ viewport: { width: 390, height: 844 }, colorScheme: "dark" });

  test("a blend is mixed, refused, mended and weighed out", async ({ page }) => {
    await page.goto("/kitchen");
    await page.getByRole("button", { name: "Mix a blend" }).focus();
    await page.keyboard.press("Enter");
    const field = (name: string) => page.getByRole("textbox", { name, exact: true });
    await field("Name").fill("gorse and pepper");
    await field("Part 1").fill("black pepper");
    await field("Grams of part 1").fill("a handful");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert")).toContainText("“a handful” is no weight of black pepper");
    await field("Grams of part 1").fill("12");
    await page.getByRole("button", { name: "Another part" }).focus();
    await page.keyboard.press("Enter");
    await field("Part 2").fill("celery seed");
    await field("Grams of part 2").fill("6");
    await field("Allergen of part 2").fill("celery");
    await accessible(page);
    await fitsTheWidth(page);
    await page.getByRole("button", { name: "Save", exact: true }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByText("black pepper 12 g, celery seed 6 g")).toBeVisible();

    await page.goto("/plan");
    await page.getByRole("button", { name: "blotted and rubbed" }).click();
    await choose(page, "Rub", /^gorse and pepper/);
    await expect(page.getByText("celery seed · in the rub")).toBeVisible();
    await expect(page.getByText(/Allergens: celery/)).toBeVisible();
    await fitsTheWidth(page);
  });
});
