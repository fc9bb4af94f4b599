// Two goals, what is planned on the way, what was done to the cut, the kitchen's height.
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB", shown: ["details", "result"] });

test("inside and outside are two goals, and what decides is told with ways out", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Cut", "party wings");
  await expect(page.getByText(/golden after .*: the outside decides/)).toBeVisible();
  await accessible(page);
  await page.getByRole("button", { name: "Leave it pale" }).click();
  await expect(word(page, "Outside")).toHaveText("as it comes");
  await expect(page.getByText(/the outside decides/)).toHaveCount(0);
  await choose(page, "Outside", /^brown/);
  await expect(page.getByText(/brown after .*: the outside decides/)).toBeVisible();
});

test("what is planned on the way is in the sentence, among the steps, and has its worth", async ({
  page,
}) => {
  await page.goto("/plan");
  await word(page, "Planned on the way").click();
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByText(/Turn every piece after 10 min · .*(longer|shorter)/)).toBeVisible();
  await page.getByLabel("What to do").selectOption("sauce_up");
  await page.getByLabel("When").selectOption("before_end");
  await page.getByRole("textbox", { name: "Minutes" }).fill("soon");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("alert")).toContainText("is not a number with a unit");
  await page.getByRole("textbox", { name: "Minutes" }).fill("5 min");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await page.keyboard.press("Escape");
  await expect(word(page, "Planned on the way")).toHaveText(
    "turn every piece after 10 min, sauce the upper side 5 min before the end",
  );
  // Turns of the cook's own take the place of the method's.
  await expect(word(page, "Turning")).toHaveCount(0);
  await expect(page.getByText("Brush the upper side with sauce")).toBeVisible();
  await word(page, "Planned on the way").click();
  await page.getByRole("button", { name: /^Remove: turn every piece/ }).click();
  await page.keyboard.press("Escape");
  await expect(word(page, "Turning")).toHaveText("turned for even colour");
});

test("a rolled joint has a minimum, and nobody at risk is offered a way below it", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Cut", "beef rump roasts");
  await choose(page, "What was done to it", /^rolled/);
  await word(page, "Until").click();
  await page.getByText("Somebody at the table is pregnant").click();
  await page.getByRole("button", { name: /^medium-rare/ }).click();
  await expect(page.getByRole("alert")).toContainText("somebody at the table is pregnant");
  await expect(page.getByRole("button", { name: /plan it anyway/ })).toHaveCount(0);
  // No plan stands for an answer under a refusal.
  await expect(page.getByText(/^Out after/)).toHaveCount(0);
  await page.getByRole("button", { name: "Use the safe minimum" }).click();
  await expect(page.getByText("Measure again", { exact: true })).toBeVisible();
  await choose(page, "Thermometer", /^without/);
  await expect(page.getByText("Measure again", { exact: true })).toHaveCount(0);
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("a kitchen says how high it is, and its thermometer what it shows in ice water", async ({
    page,
  }) => {
    await page.goto("/kitchen");
    await word(page, "Altitude").click();
    await page.getByRole("textbox", { name: "Altitude" }).fill("1600 m");
    await page.keyboard.press("Enter");
    await expect(word(page, "Altitude")).toHaveText("1600 m");
    await word(page, "In ice water").click();
    await page.getByRole("textbox", { name: "In ice water" }).fill("20");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert")).toBeVisible();
    await page.getByRole("textbox", { name: "In ice water" }).fill("-1");
    await page.keyboard.press("Enter");
    await fitsTheWidth(page);
    await accessible(page);
    await page.goto("/plan");
    await choose(page, "Cut", "back rib sections");
    await word(page, "Until").click();
    await page.getByRole("textbox", { name: "Core temperature" }).fill("95");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert")).toContainText("water boils at");
  });
});
