// One belly from the evening before: parboiled, pricked, dried, in a boat of foil, crackling, logged.
import { accessible, choose, expect, fitsTheWidth, onTo, press, settled, test, word } from "./kitchen";

test.use({ locale: "en-GB", shown: ["details", "preparation"] });

test("a belly from parboiling to crackling, planned, cooked and logged", async ({ page, kitchen }) => {
  await page.goto("/plan");
  await choose(page, "Cut", "pork belly slabs");
  const preparation = page;
  await preparation.getByRole("button", { name: /^parboiled, in a foil boat/ }).click();
  await preparation.getByRole("button", { name: /Use this method/ }).click();
  await choose(page, "How it is held", "in a foil box");
  await choose(page, "After the rest", "crisped again");
  await page.keyboard.press("Escape");
  // What the boat asks for is a picture and a caution beside it.
  await expect(page.getByRole("img", { name: /boat of foil around the meat/ })).toBeVisible();
  await expect(page.getByText("Parboil", { exact: false }).first()).toBeVisible();
  const steps = page.getByRole("listitem");
  await expect(steps.filter({ hasText: "Pour off what is in the foil" }).first()).toBeVisible();
  await expect(steps.filter({ hasText: "dry heat-proof bowl, not into the sink" }).first()).toBeVisible();
  await expect(steps.filter({ hasText: "Rest 15 min, open" }).first()).toBeVisible();
  await expect(steps.filter({ hasText: "Crisp again at " }).first()).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);

  await page.getByRole("button", { name: "Save plan" }).click();
  await page.waitForURL(/\/$/);
  await page.getByRole("link", { name: "Open cook" }).first().click();
  const getting = page.getByRole("region", { name: "Preparation" });
  // Done by mistake is taken back.
  await press(getting.getByRole("button", { name: "Done", exact: true }));
  await press(getting.getByRole("button", { name: /^Undo: / }));
  await onTo(getting.getByText("Everything is prepared."), /^(Started|Done)$/);
  await accessible(page);

  await press(page.getByRole("button", { name: "Start cooking" }));
  await onTo(page.getByRole("button", { name: "Loaded" }), /^Preheating started$/);
  await press(page.getByRole("button", { name: "Loaded" }));
  const heading = page.getByRole("heading", { level: 1 });
  kitchen.age(30);
  await page.reload();
  await onTo(page.getByRole("button", { name: "Enter temperature" }), /^Done$/);
  kitchen.age(28);
  await page.reload();
  await press(page.getByRole("button", { name: "Enter temperature" }));
  for (const key of ["8", "6"]) await page.getByRole("button", { name: key, exact: true }).click();
  await page.getByRole("button", { name: "OK" }).click();
  await press(page.getByRole("button", { name: "Taken out" }));
  kitchen.age(15);
  await page.reload();
  await onTo(page.getByRole("button", { name: "Done", exact: true }), /^Rested$/);
  await expect(heading).toContainText("Crisp again");
  await accessible(page);
  await press(page.getByRole("button", { name: "Done", exact: true }));
  await press(page.getByRole("button", { name: "Served" }));
  await page.getByRole("button", { name: "very crisp", exact: true }).click();
  await page.getByRole("button", { name: "just right" }).click();
  await page.getByRole("button", { name: "Save to logbook" }).click();
  await page.getByRole("link", { name: /See how it went/ }).click();
  await expect(page.getByRole("cell", { name: "86 °C", exact: true }).first()).toBeVisible();

  // What is left becomes a plan of its own, to the temperature of reheating.
  await page.getByRole("link", { name: "Reheat what is left" }).click();
  await expect(word(page, "What was done to it")).toHaveText("left over, cooked before");
  await expect(word(page, "Until")).toHaveText(/75 °C/);
  await expect(page.getByText(/only once/).first()).toBeVisible();
  await settled(page);
});
