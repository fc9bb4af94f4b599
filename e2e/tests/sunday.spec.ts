// One whole Sunday roast: hot start, potatoes, puddings, gravy, rest; everything on the table at once.
import type { Locator } from "@playwright/test";
import { accessible, answers, choose, expect, fitsTheWidth, nothingElse, press, test } from "./kitchen";

test.use({ locale: "en-GB", shown: ["details"] });

/** What the large button says, whatever is due. */
const DUE = /^(Started|Done|Begun|Loaded|Turned|Sauced|Dial set|Taken out|Rested|Served|Enter temperature|Preheating started)$/;

test("a Sunday roast, planned, cooked and logged", async ({ page, kitchen }) => {
  await nothingElse(page);
  await page.goto("/plan");
  await choose(page, "Cut", "beef roasts");
  await choose(page, "Programme", /hotter at first/);
  await page.keyboard.press("Escape");
  await expect(page.getByText(/the outside is set, now the inside follows gently/)).toBeVisible();
  await page.getByRole("button", { name: "Add to supper" }).click();
  await page.waitForURL("**/supper**");
  for (const side of [/^roast potatoes/, /^batter puddings/, /^gravy/, /^green beans/]) {
    await choose(page, "Add a side", side);
  }
  await choose(page, "Nobody works", "No quiet hours");
  await choose(page, "What for", /as soon as possible/);
  await expect(page.getByText(/^A good order|^The best order/)).toBeVisible();
  await expect(page.getByRole("alert")).toHaveCount(0);

  // In the order of the work, each after what it waits for.
  const clock = (await page.getByRole("listitem").allInnerTexts()).map((text) => text.replaceAll("\n", " "));
  const at = (words: string) => {
    const found = clock.findIndex((line) => line.includes(words));
    expect(found, `${words} in ${clock.join(" | ")}`).toBeGreaterThanOrEqual(0);
    return found;
  };
  for (const [before, after] of [
    ["Load 1 beef roast", "Set the drum"],
    ["Parboil them", "Add the roast potatoes"],
    ["Add the roast potatoes", "Stir the potatoes"],
    ["Whisk the batter", "Heat the fat in its tins"],
    ["Take the meat out", "Heat the fat in its tins"],
    ["Take the meat out", "Pour the drippings off"],
    ["Pour the drippings off", "Stir the stock in"],
    ["Stir the stock in", "On the table"],
  ] as const) {
    expect(at(before), `${before}, then ${after}`).toBeLessThan(at(after));
  }
  // Puddings and beans wait for nobody.
  await expect(page.getByText(/^batter puddings: ready at /)).not.toContainText("waiting");
  await accessible(page);
  await fitsTheWidth(page);

  await page.getByRole("button", { name: "Save supper" }).click();
  await page.waitForURL("**/supper/*");
  await page.goto("/fryer");
  const heading = page.getByRole("heading", { level: 1 }).first();
  const due = page.getByRole("button", { name: DUE }).first();
  const followed: string[] = [];
  const answered = answers(page);
  /** Does one thing after the other, as the large button says, until there is something else to see. */
  const followTo = async (end: Locator) => {
    for (let step = 0; step < 40; step += 1) {
      await expect(due.or(end).first()).toBeVisible();
      if (await end.isVisible()) return;
      if ((await due.innerText()) === "Enter temperature") {
        kitchen.age(48);
        await page.reload();
        // A page that has just opened draws again with each answer.
        await answered();
        await press(due);
        for (const key of ["5", "5"]) await page.getByRole("button", { name: key, exact: true }).click();
        await page.getByRole("button", { name: "OK" }).click();
      }
      await answered();
      const now = await heading.innerText();
      if (followed.at(-1) !== now) followed.push(now);
      if (await due.isVisible()) await press(due);
      await expect(heading).not.toHaveText(now);
    }
  };
  const logged = page.getByRole("button", { name: "Save to logbook" });
  await followTo(logged);
  await page.getByRole("button", { name: "crisp", exact: true }).click();
  await page.getByRole("button", { name: "just right" }).click();
  await logged.click();
  // What is left of the supper goes on until all of it is on the table.
  await followTo(page.getByText("Nothing is cooking"));
  const place = (words: string) => {
    const found = followed.findIndex((line) => line.includes(words));
    expect(found, `${words} in ${followed.join(" | ")}`).toBeGreaterThanOrEqual(0);
    return found;
  };
  expect(place("Load 1 beef roast")).toBeLessThan(place("Take everything out"));
  expect(place("Parboil")).toBeLessThan(place("Drain them"));
  expect(place("Take everything out")).toBeLessThan(place("Heat the fat"));
  expect(place("Take everything out")).toBeLessThan(place("drippings"));
  place("Boil the beans");
  await page.getByRole("link", { name: "Logbook" }).click();
  const entry = page.getByRole("article").filter({ hasText: "beef roast" }).first();
  await expect(entry).toContainText("crisp outside, just right inside");
});
