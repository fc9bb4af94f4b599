// The sentence: wrong words, links, units, keys.
import { accessible, expect, test, word } from "./kitchen";

test.use({ locale: "en-GB" });

test("wrong words are answered where they were typed, and nothing typed is lost", async ({ page }) => {
  await page.goto("/plan");
  await word(page, "Thickness").click();
  const field = page.getByRole("textbox", { name: "Thickness" });
  await field.fill("as a thumb");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("is not a number with a unit");
  await expect(field).toHaveValue("as a thumb");
  await field.fill("300 mm");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toHaveText("Thickness is 300 mm; it can be 5 mm to 160 mm.");
  await field.fill("4.5 cm");
  await page.keyboard.press("Enter");
  await expect(word(page, "Thickness")).toHaveText("45 mm");

  await word(page, "On the table").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill("dinner");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("“dinner” is not a time of day");
});

test("poultry below its floor is refused beside the sentence, with a way out", async ({ page }) => {
  await page.goto("/plan");
  await word(page, "Until").click();
  await page.getByRole("textbox", { name: "Core temperature" }).fill("60");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Chicken is not planned below 70 °C");
  await expect(page.getByRole("button", { name: "Start cooking" })).toBeDisabled();
  await accessible(page);
  await page.getByRole("button", { name: "Use the safe minimum" }).click();
  await expect(word(page, "Until")).toHaveText("70 °C");
  await expect(page.getByRole("alert")).toHaveCount(0);
});

test("red meat below its floor asks for a yes, and every view keeps saying so", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByLabel("Food safety guidance").selectOption("us");
  await page.keyboard.press("Escape");
  await word(page, "Cut").click();
  await page.getByRole("button", { name: "beef steaks" }).click();
  await word(page, "Until").click();
  await page.getByRole("button", { name: /medium-rare/ }).click();
  await expect(page.getByRole("alert")).toContainText("below the 63 °C");
  await page.getByRole("button", { name: /plan it anyway/ }).click();
  await expect(page.getByText("Below the safe minimum.")).toBeVisible();
  await page.getByRole("button", { name: "Save plan" }).click();
  await expect(page.getByRole("article").filter({ hasText: "beef steak" })).toContainText(
    "Below the safe minimum.",
  );
});

test("a setting above the ceiling tells what the ceiling does instead", async ({ page }) => {
  await page.goto("/plan");
  await word(page, "Setting").click();
  await page.getByRole("textbox", { name: "Setting" }).fill("232");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("goes up to 204 °C, not 232 °C; at 204 °C");
  await page.getByRole("button", { name: "Use its highest setting" }).click();
  await expect(word(page, "Setting")).toHaveText("204 °C");
});

test("a link reproduces the sentence", async ({ page, context }) => {
  await page.goto("/plan");
  await word(page, "Pieces").click();
  await page.getByRole("button", { name: "Pieces more" }).click();
  await page.getByRole("button", { name: "Done", exact: true }).click();
  await word(page, "On the table").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill("19:00");
  await page.keyboard.press("Enter");
  await expect(word(page, "Pieces")).toHaveText("9");
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(word(other, "Pieces")).toHaveText("9");
  await expect(word(other, "On the table")).toHaveText("at 19:00");
  // A link somebody broke falls back to a usual sentence.
  await other.goto("/plan?say=%7B%22cut%22%3A7%7D&eat=soon");
  await expect(word(other, "Cut")).toHaveText("drumsticks");
});

test("a newer word wins over a slower answer to an older one", async ({ page }) => {
  await page.goto("/plan");
  await expect(page.getByText("Load 8 drumsticks")).toBeVisible();
  let held = 0;
  let late: Promise<void> | undefined;
  let answered = () => undefined as void;
  const newer = new Promise<void>((resolve) => {
    answered = resolve;
  });
  await page.route("**/api/plans/preview", async (route) => {
    const { pieces } = route.request().postDataJSON();
    if (pieces === 9) {
      held += 1;
      late = newer.then(() => route.continue().catch(() => undefined));
      return;
    }
    await route.continue();
  });
  await word(page, "Pieces").click();
  await page.getByRole("button", { name: "Pieces more" }).click();
  await expect.poll(() => held).toBe(1);
  await page.getByRole("button", { name: "Pieces more" }).click();
  await expect(page.getByText("Load 10 drumsticks")).toBeVisible();
  // Only now does the older one go on; what it brings is passed over.
  answered();
  await late;
  await page.waitForLoadState("networkidle");
  await expect(page.getByText("Load 10 drumsticks")).toBeVisible();
});

test("units, keys and colours", async ({ page }) => {
  await page.goto("/plan");
  await expect(word(page, "Until")).toHaveText("juicy, 77 °C");
  await page.keyboard.press("u");
  await expect(word(page, "Until")).toHaveText("juicy, 171 °F");
  await expect(word(page, "Weight of a piece")).toHaveText("4 oz");
  await page.reload();
  await expect(word(page, "Until")).toHaveText("juicy, 171 °F");
  await page.keyboard.press("Shift+?");
  await expect(page.getByRole("dialog", { name: "Keyboard shortcuts" })).toBeVisible();
  await accessible(page);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByLabel("Colours").selectOption("dark");
  await page.keyboard.press("Escape");
  await expect(page.locator("html")).toHaveClass(/dark/);
  await accessible(page);
});

test("changing a planned cook changes its plan", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("link", { name: "Change the plan" }).click();
  await expect(word(page, "On the table")).toHaveText(/^at \d\d:\d\d$/);
  await word(page, "Pieces").click();
  await page.getByRole("textbox", { name: "Pieces" }).fill("5");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: "Save plan" }).click();
  await page.waitForURL(/\/$/);
  await expect(page.getByText("Drumsticks for tonight")).toHaveCount(1);
  await expect(page.getByText(/^5 × /)).toBeVisible();
});
