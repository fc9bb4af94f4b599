// The whole path, from the sentence to the logbook, at both sizes, in both unit systems.
import { accessible, expect, fitsTheWidth, onTo, press, settled, test, word } from "./kitchen";

// With a 12-hour clock, Fahrenheit and pounds, unless a test says otherwise.
test.use({ locale: "en-US", shown: ["details"] });

test("with the mouse on a laptop, in Fahrenheit and pounds", async ({ page, kitchen }) => {
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

  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Load 4 bone-in thighs");
  await accessible(page);
  // As it is dialled, largest.
  await expect(page.getByText(/^\d+\s°F,\s\d+\smin$/)).toBeVisible();
  await expect(page.getByText(/Set the machine's own timer to \d+ min too/)).toBeVisible();
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Turn every piece");
  await expect(page).toHaveTitle(/^\d+:\d\d · Turn every piece/);
  kitchen.age(14);
  await page.reload();
  await page.getByRole("button", { name: "Turned" }).click();
  await expect(page.getByRole("heading", { level: 1 })).not.toContainText("Turn every piece");

  await settled(page);
  await page.getByRole("button", { name: /^(Temperature|Enter temperature)$/ }).first().click();
  for (const key of ["1", "1", "5"]) await page.getByRole("button", { name: key, exact: true }).click();
  await accessible(page);
  await page.getByRole("button", { name: "OK" }).click();
  await expect(page.getByText(/^Core 115 °F at .*expected \d+ °F\. Inside done in/)).toBeVisible();

  // On to the pull, whatever is still asked for before it.
  const out = page.getByRole("button", { name: "Taken out" });
  await onTo(out, /^(Sauced|Skip|Dial set)$/);
  await press(out);
  // Far from done: back in, and not safe as it is.
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Put it back");
  await expect(page.getByText("do not serve it like this")).toBeVisible();
  await accessible(page);
  await press(page.getByRole("button", { name: "Put back whole" }));
  await expect(out).toBeVisible();
  await press(page.getByRole("button", { name: "Undo: put back" }));
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Put it back");
  await press(page.getByRole("button", { name: "Rested" }));
  await press(page.getByRole("button", { name: "Served" }));
  await page.getByRole("button", { name: "crisp", exact: true }).click();
  await page.getByRole("button", { name: "just right" }).click();
  await page.getByRole("button", { name: "darker", exact: true }).click();
  await page.getByLabel("Who cooked").fill("Wren");
  await page.getByLabel("Notes").fill("Fennel pollen next time");
  // What was chosen outlives a reload.
  await page.reload();
  await expect(page.getByLabel("Notes")).toHaveValue("Fennel pollen next time");
  await accessible(page);
  await page.getByRole("button", { name: "Save to logbook" }).click();
  await page.getByRole("link", { name: /See how it went/ }).click();
  await expect(page.getByText("Fennel pollen next time Cooked by Wren.")).toBeVisible();
  await expect(page.getByText("crisp, darker than planned outside, just right inside")).toBeVisible();
  await expect(page.getByRole("cell", { name: "115 °F", exact: true })).toBeVisible();
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

  test("from the sentence to the logbook", async ({ page, kitchen }) => {
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
    await expect(page.getByRole("textbox", { name: "Search" })).toBeFocused();
    await page.keyboard.type("chop");
    await page.keyboard.press("Enter");
    await expect(word(page, "Cut")).toHaveText("bone-in pork chops");
    await expect(word(page, "Cut")).toBeFocused();

    // The strip can be read with the arrow keys.
    const strip = page.getByRole("slider", { name: /Temperature at a minute/ });
    await strip.focus();
    await page.keyboard.press("ArrowRight");
    await expect(strip).toHaveAttribute("aria-valuetext", /^after \d+ min, \d+ mm deep: \d+ °C$/);
    await accessible(page);

    await page.getByRole("button", { name: "Start cooking" }).focus();
    await page.keyboard.press("Enter");
    await page.waitForURL("**/fryer/*");
    const heading = page.getByRole("heading", { level: 1 });
    await expect(heading).toContainText("Switch the drum on");
    await fitsTheWidth(page);
    const space = async () => {
      await settled(page);
      await page.keyboard.press("Space");
    };
    await space();
    await expect(heading).toContainText("Load 2 bone-in pork chops");
    await space();
    await expect(heading).toContainText("Turn every piece");
    await page.keyboard.press("d");
    await expect(page.getByRole("button", { name: /^Closed/ })).toBeVisible();
    // Open for a second at the least.
    await expect(page.getByRole("button", { name: /^Closed \([1-9]/ })).toBeVisible();
    await page.keyboard.press("d");
    await expect(page.getByRole("button", { name: "Open", exact: true })).toBeVisible();
    // Fifty seconds after loading no core is that hot.
    await page.keyboard.press("t");
    await expect(page.getByRole("textbox", { name: "Core in °C" })).toBeFocused();
    await page.keyboard.type("710");
    await page.keyboard.press("Enter");
    await expect(page.getByRole("alert")).toContainText("A kitchen thermometer does not show 710");
    await page.keyboard.press("Backspace");
    await page.keyboard.press("Enter");
    await expect(page.getByText("too hot to be the middle")).toBeVisible();
    await expect(heading).toContainText("Turn every piece");
    kitchen.age(9);
    await page.reload();
    await expect(heading).toContainText("Turn every piece");
    await space();
    await expect(heading).toContainText("Check with the thermometer");
    await page.keyboard.press("t");
    await page.keyboard.type("71");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/Core 71 °C at .*The inside is done/)).toBeVisible();
    await accessible(page);
    // The reading was enough: the check is done with it.
    await page.getByRole("button", { name: "Taken out" }).press("Enter");
    await expect(heading).toContainText("Rest");
    await space();
    // The rest has to bring it to its minimum: it is measured again, and goes back in where it is not.
    await expect(heading).toContainText("Measure again");
    await page.keyboard.press("t");
    await page.keyboard.type("55");
    await page.keyboard.press("Enter");
    await expect(page.getByText(/do not serve it like this|Measure it before you serve it/)).toBeVisible();
    await page.keyboard.press("t");
    await page.keyboard.type("72");
    await page.keyboard.press("Enter");
    await expect(heading).toContainText("Serve");
    await space();
    await page.getByRole("button", { name: "fair" }).focus();
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "just right" }).focus();
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: "Save to logbook" }).focus();
    await page.keyboard.press("Enter");
    await expect(page.getByRole("link", { name: /See how it went/ })).toBeVisible();
    await page.keyboard.press("g");
    await page.keyboard.press("l");
    await expect(page.getByRole("article").first()).toContainText("2 bone-in pork chops");
    await fitsTheWidth(page);
    await accessible(page);
  });
});
