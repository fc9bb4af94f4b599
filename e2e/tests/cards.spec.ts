// What a cook writes down to use again: ways of getting meat ready, and recipes.
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB", shown: ["preparation"] });

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
  await expect(page.getByText("11 g", { exact: true }).first()).toBeVisible();

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

  test("a recipe is written, refused, mended and weighed out", async ({ page }) => {
    await page.goto("/kitchen");
    await page.getByRole("button", { name: "Write a recipe" }).focus();
    await page.keyboard.press("Enter");
    const field = (name: string | RegExp) => page.getByRole("textbox", { name });
    await field("Name").fill("gorse and pepper");
    await field(/^Ingredients/).fill("1 tbsp black pepper\ncelery seed");
    await page.getByRole("button", { name: "Save recipe" }).click();
    await expect(page.getByRole("alert")).toContainText("“celery seed” says no amount");
    await field(/^Ingredients/).fill("1 tbsp black pepper\n2 tsp celery seed\n1 tsp honey");
    // By hand: a tablespoon of ground pepper is 14.8 ml x 0.47 g/ml, 7 g.
    await expect(page.getByText(/1 tbsp black pepper · (6\.9|7) g/)).toBeVisible();
    await expect(page.getByText(/Allergens: celery/)).toBeVisible();
    await field("Allergens of black pepper").fill("mustard");
    await field(/^Notes/).fill("Pepper doubled.");
    await accessible(page);
    await fitsTheWidth(page);
    await page.getByRole("button", { name: "Save recipe" }).click();
    await expect(page.getByText(/1 tbsp black pepper, 2 tsp celery seed.*Pepper doubled/)).toBeVisible();

    await page.goto("/plan");
    await page.getByRole("button", { name: "blotted and rubbed" }).click();
    await choose(page, "Rub", /^gorse and pepper/);
    await expect(page.getByText("celery seed · in gorse and pepper")).toBeVisible();
    await expect(page.getByText(/Allergens: mustard; celery/)).toBeVisible();
    await fitsTheWidth(page);
  });
});
