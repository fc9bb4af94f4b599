// Away from the machine: a recipe read for it, what if, and what the kitchen has learned.
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB", shown: ["measure"] });

test("a recipe is read for the kitchen's own machine, and becomes a plan", async ({ page }) => {
  await page.goto("/bench");
  const recipe = page.getByRole("textbox", { name: "The recipe" });
  await recipe.fill("400 °F 20 min, turn half-way, in an oven-style machine, for 2 lb drumsticks");
  await expect(page.getByText(/^It says 8 drumsticks of 113 g, in an oven-style machine, at 204 °C for 20 min/)).toBeVisible();
  await expect(page.getByText(/^In the drum: at 204 °C for \d+/)).toBeVisible();
  await expect(page.getByText(/^Not said/)).toHaveCount(0);
  await accessible(page);
  await fitsTheWidth(page);
  // Part of it is enough, and what was taken for the rest is told.
  await recipe.fill("drumsticks 12 min");
  await expect(page.getByText(/^Not said: /)).toContainText("No machine");
  await expect(page.getByText(/ends below the safe minimum/)).toBeVisible();
  // What is too tall for the drum is read all the same, and stages come along.
  await recipe.fill("whole chicken (4 lb) 350F 60 min, turn half-way");
  await expect(page.getByText(/^Not in the drum: a piece .* tall does not fit/)).toBeVisible();
  await expect(page.getByRole("link", { name: "Open as a plan" })).toHaveCount(0);
  await recipe.fill("900 g wings in the oven at 120 °C for 30 min, then 220 °C for 45 min");
  await expect(page.getByText(/^In the drum: at 120 °C, the last \d+ min at 204 °C, .* in all/)).toBeVisible();
  // A page as a file: its words stand in the field, to be corrected.
  const instructions = ["Pat dry.", "Air fry at 190 °C for 24 minutes, flip half-way."];
  const written = { "@type": "Recipe", name: "Harbour thighs", recipeIngredient: ["6 bone-in chicken thighs"], recipeInstructions: instructions };
  await page.getByLabel("File with a recipe").setInputFiles({
    name: "harbour.html",
    mimeType: "text/html",
    buffer: Buffer.from(`<html><script type="application/ld+json">${JSON.stringify(written)}</script></html>`),
  });
  await expect(page.getByText(/^It says 6 bone-in thighs of \d+ g, in a drawer, at 190 °C for 24 min/)).toBeVisible();
  await expect(recipe).toHaveValue(/^Harbour thighs.\n6 bone-in chicken thighs.\nPat dry/);
  // A label's rule.
  await recipe.fill("1.4 kg pork loin roast, 180 °C, 20 min for each 450 g and 20 more, fan oven");
  await expect(page.getByText(/^It says 1 pork loin roast of 1.4 kg, in an oven with its fan on, at 180 °C/)).toBeVisible();
  await page.reload();
  await expect(recipe).toHaveValue(/1.4 kg pork loin/);
  await page.getByRole("region", { name: "Read a recipe" }).getByRole("link", { name: "Open as a plan" }).click();
  await expect(word(page, "Cut")).toHaveText("pork loin roast");
  await expect(word(page, "Setting")).toHaveText("180 °C");
});

test("what if: variants side by side, each a plan of its own", async ({ page }) => {
  await page.goto("/bench");
  await page.getByRole("navigation", { name: "Tools" }).getByRole("link", { name: "What if" }).click();
  const whatIf = page.getByRole("region", { name: "What if" });
  const add = whatIf.getByLabel("What if it were otherwise");
  await add.selectOption("thickness");
  await expect(whatIf.getByText("20 % thicker")).toBeVisible();
  await expect(whatIf.getByText(/^\d+(½)? min longer.*Out after/)).toBeVisible();
  await whatIf.getByRole("slider").focus();
  for (let n = 0; n < 6; n += 1) await page.keyboard.press("ArrowLeft");
  await expect(whatIf.getByText("10 % thinner")).toBeVisible();
  await expect(whatIf.getByText(/min shorter/)).toBeVisible();
  await add.selectOption("frozen");
  await add.selectOption("crowded");
  await add.selectOption("machine");
  await expect(add).toHaveCount(0);
  await accessible(page);
  await fitsTheWidth(page);
  await whatIf.getByRole("button", { name: "Remove" }).last().click();
  await expect(add).toBeVisible();
  await whatIf.getByRole("link", { name: "Open as a plan" }).first().click();
  await expect(word(page, "Thickness")).toHaveText(/\d+ mm/);
});

test("what went wrong: from what was seen to a cause, a measurement and a plan", async ({ page }) => {
  await page.goto("/bench?tool=wrong");
  const wrong = page.getByRole("region", { name: "What went wrong" });
  await wrong.getByRole("button", { name: "raw inside, or at the bone" }).click();
  const causes = wrong.getByRole("list", { name: /^Causes/ }).getByRole("listitem");
  await expect(causes.first()).toContainText("Next time:");
  await expect(wrong.getByText("To tell them apart:")).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  // What the model cannot tell is said to be practice.
  await wrong.getByRole("button", { name: "raw inside, or at the bone" }).click();
  await wrong.getByRole("button", { name: "the coating fell off" }).click();
  await expect(wrong.getByText("Common practice, not computed:")).toBeVisible();
  await expect(causes).toHaveCount(0);
  // Of a cook in the log, by what was told of it.
  await page.goto("/logbook?found=dry");
  await page.getByRole("main").getByRole("article").getByRole("link").first().click();
  await page.getByRole("link", { name: "What went wrong" }).click();
  await wrong.getByRole("button", { name: "the coating fell off" }).click();
  await wrong.getByRole("button", { name: "dry", exact: true }).click();
  await expect(causes.first()).toContainText("They stayed in 4 min longer than planned");
  await expect(wrong.getByText(/^As it was cooked, it should have come out after/)).toBeVisible();
  await wrong.getByRole("link", { name: "Open as a plan" }).first().click();
  await expect(word(page, "Cut")).toBeVisible();
});

test("practice: a hidden piece is cooked, and shown with what each decision cost", async ({ page }) => {
  await page.goto("/bench");
  await page.getByRole("navigation", { name: "Tools" }).getByRole("link", { name: "Practice" }).click();
  const practice = page.getByRole("region", { name: "Practice" });
  await expect(practice.getByRole("button", { name: /^Begin/ })).toHaveCount(6);
  await practice.getByRole("button", { name: "Begin: The second batch" }).click();
  await practice.getByRole("button", { name: "Load", exact: true }).click();
  const later = practice.getByRole("button", { name: "5 min on" });
  for (let n = 0; n < 4; n += 1) await later.click();
  await practice.getByRole("button", { name: "Read the core" }).click();
  await expect(practice.getByText(/^Read the first batch, in the middle of the thickest part: \d+ °C$/)).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  // The clock runs thirty times as fast; what was done outlives a reload.
  await practice.getByRole("button", { name: "Run the clock" }).click();
  await expect(practice.getByRole("timer")).toHaveText(/^20:[1-5]/);
  await practice.getByRole("button", { name: "Stop the clock" }).click();
  await page.reload();
  await expect(practice.getByRole("list", { name: "What was done" }).getByRole("listitem")).toHaveCount(2);
  await practice.getByRole("button", { name: "Take it out" }).click();
  await practice.getByRole("button", { name: "Load the second batch" }).click();
  for (let n = 0; n < 8; n += 1) await later.click();
  await practice.getByRole("button", { name: "Take it out" }).click();
  await practice.getByRole("button", { name: "Serve" }).click();
  await expect(practice.getByText(/^As the advice would have gone: served after/)).toBeVisible();
  const costs = practice.getByRole("list", { name: "What each decision cost" }).getByRole("listitem");
  await expect(costs.filter({ hasText: "The second batch out after 40 min" })).toHaveCount(1);
  await expect(practice.getByText(/^Hidden was: the first batch \d+ mm thick/)).toBeVisible();
  await accessible(page);
  await practice.getByRole("button", { name: "Again with another piece" }).click();
  await expect(practice.getByRole("button", { name: "Load", exact: true })).toBeVisible();
});

test("what the cooks say of a machine is seen, and owned", async ({ page }) => {
  await page.goto("/kitchen");
  await expect(page.getByText(/^Runs .*, blows .*, browns .*, from \d cooks/).first()).toBeVisible();
  await page.getByRole("button", { name: "How that is known" }).first().click();
  await expect(page.getByRole("img", { name: /^Its air against its dial\. usual for its kind: / })).toBeVisible();
  await expect(page.getByRole("img", { name: /^How fast faces brown in it\. / })).toBeVisible();
  await accessible(page);
  const leave = page.getByRole("button", { name: /^Leave out / });
  const before = await leave.count();
  await leave.first().click();
  await expect(leave).toHaveCount(before - 1);
  await page.getByRole("button", { name: /^Count / }).click();
  await expect(leave).toHaveCount(before);
  await page.getByRole("button", { name: /^Start over/ }).click();
  await expect(page.getByText("plans take it as usual for its kind").first()).toBeVisible();
  await page.goto("/plan");
  await choose(page, "Cut", "drumsticks");
  await expect(page.getByText("Fan strength, taken as usual for its kind")).toBeVisible();
});

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("the log says how far plans were off, and goes out as tables", async ({ page }) => {
    await page.goto("/logbook");
    await expect(page.getByText(/^Plans were off by .* in the middle of the last \d cooks/)).toBeVisible();
    await accessible(page);
    await fitsTheWidth(page);
    const file = page.waitForEvent("download");
    await page.getByRole("link", { name: "Cooks as a table" }).click();
    expect((await file).suggestedFilename()).toBe("cooks.csv");
    await page.goto("/bench");
    await fitsTheWidth(page);
  });
});
