// A kitchen with doors: coming in by a link, a phone by its code, a passphrase, and out again.
import type { BrowserContext, Page } from "@playwright/test";
import { accessible, expect, fitsTheWidth, test } from "./kitchen";

test.use({ doors: true });

const PASSPHRASE = "gull lantern oats";

/** Opens the kitchen the first time. */
async function comeIn(page: Page, link: string, device: string) {
  await page.goto(link);
  await page.getByLabel("Name of this device").fill(device);
  await page.getByRole("button", { name: "Open the kitchen" }).click();
  await expect(page.getByRole("navigation", { name: "Places" })).toBeVisible();
}

/** A phone beside the tablet. */
const phoneOf = (context: BrowserContext | null) => {
  const browser = context?.browser();
  if (!browser) throw new Error("no browser");
  return browser.newContext({ viewport: { width: 390, height: 844 }, locale: "en-GB" });
};

test("whoever is not in sees the sign-in and nothing else", async ({ page }) => {
  await page.goto("/logbook");
  await expect(page.getByRole("heading", { name: "Sign in to your kitchen" })).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Places" })).toBeHidden();
  await accessible(page);
  await page.getByLabel("Household").fill("Nobody");
  await page.getByLabel("Passphrase").fill("not it at all");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByRole("alert")).toContainText("do not belong together");
});

test("a phone comes in by its code, is listed, and is signed out", async ({ page, kitchen }) => {
  await comeIn(page, kitchen.firstLink(), "Tablet at the window");
  await page.goto("/kitchen");
  const section = page.getByRole("region", { name: "On your phone" });
  await section.getByRole("button", { name: "Use your phone" }).click();
  await expect(section.getByAltText("Code to scan")).toBeVisible();
  const link = (await section.getByText(/\/join#/).textContent()) ?? "";
  await accessible(page);

  const context = await phoneOf(page.context());
  const phone = await context.newPage();
  await comeIn(phone, link, "Phone by the kettle");
  await fitsTheWidth(phone);
  // The page that showed the code notices by itself.
  await expect(section.getByText("A phone that came in is among the devices")).toBeVisible();
  const household = page.getByRole("region", { name: "Household" });
  await expect(household.getByText(/Phone by the kettle, last used/)).toBeVisible();
  // What one does the other sees: it is one kitchen.
  await phone.goto("/logbook");
  await expect(phone.getByRole("link", { name: "Cider chops", exact: true })).toBeVisible();

  // The code counts once.
  const other = await (await phoneOf(page.context())).newPage();
  await other.goto(link);
  await other.getByRole("button", { name: "Open the kitchen" }).click();
  await expect(other.getByRole("alert")).toContainText("was used");

  await household.getByRole("button", { name: "Sign out Phone by the kettle" }).click();
  await expect(household.getByText(/Phone by the kettle/)).toHaveCount(0);
  // Without anything pressed there: what it listened to has ended, and it asks again.
  await expect(phone.getByRole("heading", { name: "Sign in to your kitchen" })).toBeVisible();
  await expect(phone.getByRole("link", { name: "Cider chops", exact: true })).toHaveCount(0);
});

test("a passphrase is chosen, signs everybody else out, and lets in", async ({ page, kitchen }) => {
  await comeIn(page, kitchen.firstLink(), "Tablet");
  await page.goto("/kitchen");
  const household = page.getByRole("region", { name: "Household" });
  await household.getByLabel("Name, also at sign-in").fill("Tern Cottage");
  await household.getByRole("button", { name: "Save name" }).click();
  await household.getByRole("button", { name: "Choose a passphrase" }).click();
  await household.getByLabel("New passphrase").fill("password123");
  await household.getByRole("button", { name: "Save passphrase" }).click();
  await expect(household.getByRole("alert")).toContainText("among the first");
  await household.getByLabel("New passphrase").fill(PASSPHRASE);
  await household.getByRole("button", { name: "Save passphrase" }).click();
  await expect(household.getByText("signed in to by its name and passphrase")).toBeVisible();

  const context = await phoneOf(page.context());
  const phone = await context.newPage();
  await phone.goto("/");
  await phone.getByLabel("Household").fill("tern cottage");
  await phone.getByLabel("Passphrase").fill(PASSPHRASE);
  await phone.getByRole("button", { name: "Sign in" }).click();
  await expect(phone.getByRole("navigation", { name: "Places" })).toBeVisible();
  // Out here: this browser keeps nothing of the household.
  await phone.goto("/kitchen");
  await phone.getByRole("button", { name: "Sign out here" }).click();
  await expect(phone.getByRole("heading", { name: "Sign in to your kitchen" })).toBeVisible();
  expect(await phone.evaluate(() => Object.keys(localStorage).length)).toBeLessThanOrEqual(1);
});

test("an invitation is made, listed and revoked", async ({ page, kitchen }) => {
  await comeIn(page, kitchen.firstLink(), "Tablet");
  await page.goto("/kitchen");
  const household = page.getByRole("region", { name: "Household" });
  await household.getByRole("button", { name: "Invite somebody" }).click();
  const link = (await household.getByText(/\/join#/).textContent()) ?? "";
  await household.getByRole("button", { name: /^Revoke: Invitation/ }).click();
  await expect(household.getByText(/^Invitation of/)).toHaveCount(0);
  const phone = await (await phoneOf(page.context())).newPage();
  await phone.goto(link);
  await phone.getByRole("button", { name: "Open the kitchen" }).click();
  await expect(phone.getByRole("alert")).toContainText("was revoked");
});
