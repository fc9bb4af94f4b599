// The whole path, from the sentence to the logbook, at both sizes, in both unit systems.
import { accessible, expect, fitsTheWidth, test, word } from "./kitchen";

test("with the mouse on a laptop, in Fahrenheit and pounds", async ({ page }) => {
  await page.goto("/plan");
  // The browser is en-US, so the kitchen is too.
  await expect(word(page, "Until")).toHaveText("juicy, 171 °F");
  await expect(word(page, "Weight of a piece")).toHaveText("4 oz");

  await word(page, "Cut").click();
  await page.getByRole("button", { name: "bone-in thighs" }).click();
  await expect(word(page, "Pieces")).toHaveText("4");
  await word(page, "Thickness").click();
  await page.getByRole("textbox", { name: "Thickness" }).fill("1 1/2 in");
  await page.keyboard.press("Enter");
  await expect(word(page, "Thickness")).toHaveText("1 1/2 in");
  await word(page, "Sauce").click();
  await page.getByRole("button", { name: /sauced for the last minutes/ }).click();
  await expect(page.getByText("Brush with sauce")).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);

  await page.getByRole("button", { name: "Start now" }).click();
  await page.waitForURL("**/fryer/*");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Load 4 bone-in thighs");
  await accessible(page);
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
  await expect(page).toHaveTitle(/^\d+:\d\d · Turn every piece/);
  await page.getByRole("button", { name: "Turned" }).click();
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Turn every piece");

  await page.getByRole("button", { name: "Reading", exact: true }).first().click();
  for (const key of ["1", "5", "0"]) await page.getByRole("button", { name: key, exact: true }).click();
  await accessible(page);
  await page.getByRole("button", { name: "OK" }).click();
  await expect(page.getByText(/150 °F read at .* more.*, then check again/)).toBeVisible();

  for (const name of ["Sauced", "Skip it"]) {
    const button = page.getByRole("button", { name });
    if (await button.isVisible()) await button.click();
    await page.waitForTimeout(300);
  }
  const skip = page.getByRole("button", { name: "Skip it" });
  if (await skip.isVisible()) await skip.click();
  const sauced = page.getByRole("button", { name: "Sauced" });
  if (await sauced.isVisible()) await sauced.click();
  await page.getByRole("button", { name: "It is out" }).click();
  await page.getByRole("button", { name: "Rested" }).click();
  await page.getByRole("button", { name: "On the table" }).click();
  await page.getByRole("button", { name: "crisp", exact: true }).click();
  await page.getByRole("button", { name: "just right" }).click();
  await page.getByLabel("To remember").fill("Fennel pollen next time");
  await accessible(page);
  await page.getByRole("button", { name: "Into the logbook" }).click();
  await page.getByRole("link", { name: /See how it went/ }).click();
  await expect(page.getByText("Fennel pollen next time")).toBeVisible();
  await expect(page.getByRole("cell", { name: "150 °F", exact: true })).toBeVisible();
  await accessible(page);

  await page.getByRole("link", { name: "Logbook" }).click();
  await page.getByRole("searchbox").fill("pollen");
  await expect(page.getByRole("article")).toHaveCount(1);
  await accessible(page);
  await page.getByRole("link", { name: /^Repeat/ }).click();
  await expect(word(page, "Thickness")).toHaveText("1 1/2 in");
  await expect(word(page, "Cut")).toHaveText("bone-in thighs");
});

test.describe("on a phone, in Celsius and grams, by keyboard alone", () => {
  test.use({ viewport: { width: 390, height: 844 }, locale: "en-GB", colorScheme: "dark" });

  test("from the sentence to the logbook", async ({ page }) => {
    await page.goto("/plan");
    await expect(word(page, "Until")).toHaveText("juicy, 77 °C");
    await fitsTheWidth(page);

    await word(page, "Pieces").focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("textbox", { name: "Pieces" })).toBeFocused();
    await page.keyboard.type("4");
    await page.keyboard.press("Enter");
    await expect(word(page, "Pieces")).toHaveText("4");
    // Words follow one another in the order of the sentence.
    await word(page, "Pieces").focus();
    await page.keyboard.press("Tab");
    await expect(word(page, "Cut")).toBeFocused();
    await page.keyboard.press("Enter");
    await page.keyboard.type("chop");
    await page.keyboard.press("Enter");
    await expect(word(page, "Cut")).toHaveText("bone-in pork chops");
    await expect(word(page, "Cut")).toBeFocused();

    // The strip can be read with the arrow keys.
    const strip = page.getByRole("slider", { name: /Temperature at a minute/ });
    await strip.focus();
    await page.keyboard.press("ArrowRight");
    await expect(strip).toHaveAttribute("aria-valuetext", /^minute \d+, \d+ mm deep: \d+ °C$/);
    await accessible(page);

    await page.getByRole("button", { name: "Start now" }).focus();
    await page.keyboard.press("Enter");
    await page.waitForURL("**/fryer/*");
    const heading = page.getByRole("heading", { level: 1 });
    await expect(heading).toContainText("Switch the drum on");
    await fitsTheWidth(page);
    await page.keyboard.press("Space");
    await expect(heading).toContainText("Load 2 bone-in pork chops");
    await page.keyboard.press("Space");
    await expect(heading).toContainText("Turn every piece");
    await page.keyboard.press("d");
    await expect(page.getByRole("button", { name: /Door closed again/ })).toBeVisible();
    await page.waitForTimeout(1100);
    await page.keyboard.press("d");
    await page.keyboard.press("Space");
    await expect(heading).toContainText("Check with the thermometer");
    await page.keyboard.press("t");
    await page.keyboard.type("71");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/71 °C read at .*the inside is done/)).toBeVisible();
    await accessible(page);
    await page.keyboard.press("Space");
    await expect(heading).toContainText("Rest");
    await page.keyboard.press("Space");
    // The rest has to bring it to its minimum: it is measured again, and goes back in where it is not.
    await expect(heading).toContainText("Measure again");
    await page.keyboard.press("t");
    await page.keyboard.type("55");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/55 °C is below .* Back in for about/)).toBeVisible();
    await expect(heading).toContainText("Measure again");
    await page.keyboard.press("t");
    await page.keyboard.type("72");
    await page.keyboard.press("Enter");
    await expect(heading).toContainText("To the table");
    await page.keyboard.press("Space");
    await page.getByRole("button", { name: "fair" }).focus();
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "just right" }).focus();
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Into the logbook" }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("link", { name: /See how it went/ })).toBeVisible();
    await page.keyboard.press("g");
    await page.keyboard.press("l");
    await expect(page.getByRole("article").first()).toContainText("2 bone-in pork chops");
    await fitsTheWidth(page);
    await accessible(page);
  });
});
