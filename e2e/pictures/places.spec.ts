// The pictures of docs/screenshots, from the demo kitchen: scripts/screenshots.sh.
import { choose, expect, type Page, still, test, word } from "../tests/kitchen";

const folder = "../docs/screenshots";
const shot = async (page: Page, name: string) => {
  await page.waitForLoadState("networkidle");
  await page.evaluate(() => document.fonts.ready);
  await still(page);
  await page.screenshot({ path: `${folder}/${name}.png` });
};

test.use({ locale: "en-GB", folded: true });

/** A usual sentence again, whatever was planned before. */
const newPlan = async (page: Page) => {
  await page.goto("/plan");
  await page.evaluate(() => sessionStorage.removeItem("plan"));
  await page.reload();
  await expect(page.getByText(/^Load \d/).first()).toBeVisible();
};

/** Shows a section of the plan, from its heading on. */
const unfold = async (page: Page, name: RegExp) => {
  const heading = page.getByRole("button", { name });
  if ((await heading.getAttribute("aria-expanded")) === "false") await heading.click();
  await heading.evaluate((title) => title.scrollIntoView());
};

test("laptop", async ({ page }) => {
  await page.goto("/");
  await shot(page, "today");
  await newPlan(page);
  await shot(page, "plan");
  await page.getByRole("button", { name: /^Pieces/ }).click();
  await page.getByRole("textbox", { name: "Pieces" }).fill("24");
  await page.keyboard.press("Enter");
  await unfold(page, /Arrangement/);
  await page.getByRole("tab", { name: "batch 2" }).click();
  await shot(page, "plan-basket");
  await page.goto("/logbook");
  await expect(page.getByRole("article").first()).toBeVisible();
  await shot(page, "logbook");
  await page.getByRole("link", { name: "Cider chops", exact: true }).click();
  await expect(page.getByText("Planned and actual")).toBeVisible();
  await shot(page, "logbook-cook");
  await page.goto("/kitchen");
  await expect(page.getByText("· typical").first()).toBeVisible();
  await page.getByRole("button", { name: "How that is known" }).first().click();
  await shot(page, "kitchen");
  await page.goto("/bench?tool=wrong");
  await page.getByRole("button", { name: "raw inside, or at the bone" }).click();
  await expect(page.getByText("To tell them apart:")).toBeVisible();
  await shot(page, "bench");
  await page.goto("/bench?tool=practice");
  // The same hidden piece in every picture.
  await page.evaluate(() => Object.assign(Math, { random: () => 0.4 }));
  await page.getByRole("button", { name: "Begin: Thin and thick together" }).click();
  await page.getByRole("button", { name: "Load", exact: true }).click();
  const later = page.getByRole("button", { name: "5 min on" });
  await later.click();
  await page.getByRole("button", { name: "Turn", exact: true }).click();
  await later.click();
  await page.getByRole("button", { name: "Read the thin chops" }).click();
  await page.getByRole("button", { name: "Take the thin chops out" }).click();
  await later.click();
  await page.getByRole("button", { name: "Take it out" }).click();
  await later.click();
  await page.getByRole("button", { name: "Serve" }).click();
  await expect(page.getByText(/^As the advice would have gone/)).toBeVisible();
  await shot(page, "practice");
  await newPlan(page);
  await page.getByRole("button", { name: /usual details/ }).click();
  for (const [word, choice] of [
    [/^Machine:/, /^the shelves/],
    [/^Cut:/, "pork loin roasts"],
    [/^How it is held:/, /^on the spit/],
  ] as const) {
    await page.getByRole("button", { name: word }).click();
    await page.getByRole("dialog").getByRole("button", { name: choice }).click();
  }
  await unfold(page, /Arrangement/);
  await expect(page.getByText("Before you switch it on")).toBeVisible();
  await shot(page, "plan-spit");
  await newPlan(page);
  await unfold(page, /Preparation/);
  await page.getByRole("button", { name: "salted and bare overnight" }).click();
  await page.getByRole("button", { name: "Use this method" }).click();
  await expect(page.getByText("Used in this plan.")).toBeVisible();
  await unfold(page, /Preparation/);
  await shot(page, "plan-prep");
  await page.goto("/supper");
  await page.getByRole("link", { name: "Supper for the ferry crew" }).click();
  await page.getByRole("button", { name: "the last six hours" }).click();
  await page.getByRole("button", { name: "everything" }).evaluate((title) => title.scrollIntoView());
  await shot(page, "supper");
  await page.goto("/supper");
  for (const [label, choice] of [
    ["Add a cook", "drumsticks"],
    ["Add a cook", "pork loin roasts"],
    ["Add a side", /^green beans/],
    ["Nobody works", "No quiet hours"],
    ["Day", "tomorrow"],
  ] as const) {
    await choose(page, label, choice);
  }
  const soon = new Date(Date.now() + 80 * 60_000);
  if (soon.getDate() === new Date().getDate()) await choose(page, "Day", "today");
  await word(page, "On the table at").click();
  const clock = `${String(soon.getHours()).padStart(2, "0")}:${String(soon.getMinutes()).padStart(2, "0")}`;
  await page.getByRole("textbox", { name: "Time on the clock" }).fill(clock);
  await page.keyboard.press("Enter");
  await expect(page.getByText("This schedule does not work")).toBeVisible();
  await page.getByRole("alert").evaluate((alert) => alert.scrollIntoView());
  await shot(page, "supper-clash");
});

test.describe("phone", () => {
  test.use({ viewport: { width: 390, height: 844 }, colorScheme: "dark" });

  test("at the fryer", async ({ page, kitchen }) => {
    await newPlan(page);
    await shot(page, "plan-phone");
    await page.getByRole("button", { name: "Start cooking" }).click();
    await page.waitForURL("**/fryer/*");
    await shot(page, "fryer-load");
    await page.getByRole("button", { name: "Loaded" }).click();
    const heading = page.getByRole("heading", { level: 1 });
    await expect(heading).toContainText("Turn");
    kitchen.age(13);
    await page.reload();
    await expect(heading).toContainText("Turn");
    await page.getByRole("button", { name: "Temperature", exact: true }).click();
    await page.keyboard.type("37");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/^Core 37 °C at/)).toBeVisible();
    await shot(page, "fryer");
    await page.getByRole("button", { name: "Change", exact: true }).click();
    await page.getByRole("button", { name: "5 min more" }).click();
    await expect(page.getByText(/Out at .*later/)).toBeVisible();
    await shot(page, "fryer-change");
    await page.getByRole("button", { name: "Back" }).click();
    await page.getByRole("button", { name: "Temperature", exact: true }).click();
    await page.getByRole("button", { name: "6", exact: true }).click();
    await page.getByRole("button", { name: "2", exact: true }).click();
    await shot(page, "fryer-reading");
    await page.goto("/supper");
    await page.getByRole("link", { name: "Supper for the ferry crew" }).click();
    await expect(page.getByRole("timer")).toBeVisible();
    await shot(page, "supper-phone");
  });
});


test.describe("with doors", () => {
  test.use({ doors: true });
  test("who may in", async ({ page, kitchen }) => {
    await page.goto(kitchen.firstLink());
    await page.getByLabel("Name of this device").fill("Tablet at the window");
    await page.getByRole("button", { name: "Open the kitchen" }).click();
    await expect(page.getByRole("navigation", { name: "Places" })).toBeVisible();
    await page.goto("/kitchen");
    const household = page.getByRole("region", { name: "Household" });
    await household.getByLabel("Name, also at sign-in").fill("Tern Cottage");
    await household.getByRole("button", { name: "Save name" }).click();
    await page.getByRole("button", { name: "Use your phone" }).click();
    await expect(page.getByAltText("Code to scan")).toBeVisible();
    await household.evaluate((section) => section.scrollIntoView());
    await shot(page, "household");
  });
});
