// How pieces share a machine: by mouse, by touch, by keyboard; batches, racks, drawers, the spit.
import type { Page } from "@playwright/test";
import { accessible, choose, expect, fitsTheWidth, test, word } from "./kitchen";

test.use({ locale: "en-GB", shown: ["details", "arrangement", "alongside"] });

const piece = (page: Page, number: number) =>
  page.getByRole("button", { name: new RegExp(`^Piece ${number}:`) });

async function middleOf(page: Page, number: number): Promise<[number, number]> {
  const box = await piece(page, number).boundingBox();
  if (!box) throw new Error("the piece has no place on the screen");
  return [box.x + box.width / 2, box.y + box.height / 2];
}

async function type(page: Page, label: string, text: string) {
  await word(page, label).click();
  await page.getByRole("textbox", { name: label, exact: true }).fill(text);
  await page.keyboard.press("Enter");
}

test("pieces are moved by keyboard and mouse, undone, and laid out again", async ({ page }) => {
  await page.goto("/plan");
  const third = piece(page, 3);
  await expect(third).toBeVisible();
  const named = (await third.getAttribute("aria-label")) ?? "";
  await third.focus();
  for (let n = 0; n < 6; n += 1) await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("[");
  await expect(page.getByRole("button", { name: "Lay out for me" })).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: "Piece 3 turned" })).toBeAttached();
  await expect(third).not.toHaveAttribute("aria-label", named);
  // The sentence in the address carries the layout: a reload brings it back.
  const moved = (await third.getAttribute("aria-label")) ?? "";
  await page.reload();
  await expect(third).toHaveAttribute("aria-label", moved);
  await page.getByRole("button", { name: "Lay out for me" }).click();
  await expect(third).toHaveAttribute("aria-label", named);

  await third.scrollIntoViewIfNeeded();
  const [x, y] = await middleOf(page, 3);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 30, y, { steps: 4 });
  await page.mouse.up();
  await expect(third).not.toHaveAttribute("aria-label", named);
  // It may lie badly: the cost is told, nothing snaps back.
  await accessible(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(third).toHaveAttribute("aria-label", named);
});

test.describe("by touch", () => {
  test.use({ hasTouch: true, viewport: { width: 390, height: 844 } });

  test("a piece is dragged with a finger, and turned with a button", async ({ page }) => {
    await page.goto("/plan");
    const first = piece(page, 1);
    await expect(first).toBeVisible();
    // What still comes moves the drawing down.
    await page.waitForLoadState("networkidle");
    await first.scrollIntoViewIfNeeded();
    const named = (await first.getAttribute("aria-label")) ?? "";
    // A finger scrolls the page until it has chosen a piece: a tap chooses it.
    await first.tap();
    await expect(first).toHaveAttribute("aria-pressed", "true");
    const [x, y] = await middleOf(page, 1);
    const client = await page.context().newCDPSession(page);
    const touch = (kind: "touchStart" | "touchMove" | "touchEnd", at?: [number, number]) =>
      client.send("Input.dispatchTouchEvent", {
        type: kind,
        touchPoints: at ? [{ x: at[0], y: at[1] }] : [],
      });
    await touch("touchStart", [x, y]);
    for (const step of [6, 12, 18]) await touch("touchMove", [x + step, y - step]);
    await touch("touchEnd");
    await expect(page.getByRole("button", { name: "Lay out for me" })).toBeVisible();
    await expect(first).not.toHaveAttribute("aria-label", named);
    await piece(page, 2).tap();
    await page.getByRole("button", { name: "Turn left" }).tap();
    await expect(page.getByRole("status").filter({ hasText: "Piece 2 turned" })).toBeAttached();
    await fitsTheWidth(page);
  });
});

test("many pieces become batches, with the price of one", async ({ page }) => {
  await page.goto("/plan");
  await type(page, "Pieces", "24");
  await expect(page.getByText(/2 batches, 12 and 12/)).toBeVisible();
  await expect(page.getByText("Take batch 2 out")).toBeVisible();
  await page.getByRole("tab", { name: "batch 2" }).click();
  await expect(page.getByRole("group", { name: /^batch 2 from above: 12 pieces/ })).toBeVisible();
  await expect(page.getByText(/^One batch, (crowded|stacked), would be ready about/)).toBeVisible();
  await page.getByRole("button", { name: "Put it back for 2 min at the end instead" }).click();
  await expect(page.getByText("Put batch 1 back")).toBeVisible();
  await fitsTheWidth(page);
  await accessible(page);

  await page.getByRole("button", { name: "Load all at once" }).click();
  await expect(word(page, "Loading")).toHaveText("all at once");
  await expect(page.getByText(/later than with plenty of space/)).toBeVisible();
  await expect(page.getByText(/^2 batches, some space, would be ready about/)).toBeVisible();
  await page.getByRole("button", { name: "Load with space between" }).click();
  await expect(page.getByText(/2 batches, 12 and 12/)).toBeVisible();
});

test("a piece moves to another batch, and to the other drawer", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Machine", /^twin drawers/);
  await type(page, "Pieces", "16");
  await expect(page.getByText("8 in the left drawer, 8 in the right drawer")).toBeVisible();
  await piece(page, 1).focus();
  await page.getByRole("button", { name: "To batch 1, right drawer" }).click();
  await expect(page.getByText("7 in the left drawer, 9 in the right drawer")).toBeVisible();
  await page.getByRole("tab", { name: "right drawer" }).click();
  await expect(piece(page, 1)).toBeVisible();
});

test("a wider gap is the cook's to choose", async ({ page }) => {
  await page.goto("/plan");
  await type(page, "Gap", "25 mm");
  await expect(page.getByText(/2 batches/).first()).toBeVisible();
  await word(page, "Gap").click();
  await page.getByRole("textbox", { name: "Gap", exact: true }).fill("90 mm");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("it can be 0 mm to");
});

test("racks are in use from above, and change places at the turn", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Machine", /^the shelves/);
  await choose(page, "Cut", "party wings");
  await choose(page, "How it is held", /^on a rack/);
  await type(page, "Pieces", "40");
  await expect(page.getByText(/swap the racks$/)).toBeVisible();
  await expect(page.getByRole("tab", { name: /^rack 1/ })).toBeVisible();
  await expect(page.getByRole("img", { name: /From the side.*of air above rack/ })).toBeVisible();
});

test("weighed one by one, thin lie apart from thick", async ({ page }) => {
  await page.goto("/plan");
  await word(page, "Weight of a piece").click();
  await page.getByRole("button", { name: "Weigh them one by one" }).click();
  const list = page.getByRole("textbox", { name: /^Each weight/ });
  await list.fill("80 g, heavy, 190");
  await page.getByRole("button", { name: "Take these weights" }).click();
  await expect(page.getByRole("alert")).toContainText('"heavy" is not a number');
  await expect(list).toHaveValue("80 g, heavy, 190");
  await list.fill("80 g, 85 g, 180, 190");
  await page.getByRole("button", { name: "Take these weights" }).click();
  await expect(word(page, "Weight of a piece")).toHaveText("80 g to 190 g");
  await expect(word(page, "Pieces")).toHaveText("4");
  await expect(page.getByText(/^Thin apart from thick/)).toBeVisible();
});

test("a rack of ribs too large for the drum is cut between its bones", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Cut", "back rib sections");
  await type(page, "Weight of a piece", "1.5 kg");
  await expect(page.getByRole("alert")).toBeVisible();
  const cut = page.getByRole("button", { name: /^Cut it into \d/ });
  await accessible(page);
  await cut.click();
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(page.getByText(/^Load \d back rib sections?$/).first()).toBeVisible();
});

test("the spit: how it hangs, what to go through, and why it stands still", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Machine", /^the shelves/);
  await choose(page, "Cut", "pork loin roasts");
  await choose(page, "How it is held", /^on the spit/);
  await expect(page.getByText("On the spit.")).toBeVisible();
  await expect(page.getByText(/rounds of about/)).toBeVisible();
  const even = await page.getByText(/off the spit,/).textContent();
  await page.getByRole("button", { name: "not tied" }).click();
  await expect(page.getByText(/off the spit,/)).not.toHaveText(even ?? "");
  await page.getByLabel("Both forks driven in, screws tight.").check();
  await page.getByRole("button", { name: "It does not turn" }).click();
  await page.getByRole("button", { name: "late in the cook" }).click();
  await expect(page.locator("ol li").filter({ hasText: "%" }).first()).toBeVisible();
  await accessible(page);
  // Too heavy for it: refused beside the sentence, with a way out.
  await type(page, "Weight of a piece", "2.6 kg");
  await expect(page.getByRole("alert")).toContainText("lay it on a rack");
  // Another machine has no spit.
  await choose(page, "Machine", /^the drum/);
  await expect(word(page, "How it is held")).toHaveText("in the basket");
});

test("wings tumble without a turn", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Machine", /^the shelves/);
  await choose(page, "Cut", "party wings");
  await choose(page, "How it is held", /^in the tumbling basket/);
  await expect(page.getByText(/Tumbling, the basket \d+.% full/)).toBeVisible();
  await expect(page.getByText(/^Turn every piece/)).toHaveCount(0);
});

test("something else beside it: together or one after the other, and why", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Cooked alongside", "bone-in pork chops");
  await expect(page.getByText("One after the other.")).toBeVisible();
  await choose(page, "Machine", /^twin drawers/);
  await expect(page.getByText("At the same time, a drawer each.")).toBeVisible();
});

test("what is cooked alongside goes into a supper with the first, or is started with it", async ({ page }) => {
  await page.goto("/plan");
  await choose(page, "Machine", /^twin drawers/);
  await choose(page, "Cooked alongside", "bone-in pork chops");
  await page.getByRole("button", { name: "Add both to supper" }).click();
  await page.waitForURL("**/supper");
  await expect(page.getByRole("link", { name: "Edit cooking plan" })).toHaveCount(2);
  await page.goto("/plan");
  await choose(page, "Cooked alongside", "bone-in pork chops");
  // The chops go in later, so that both are ready at once.
  await page.getByRole("button", { name: "Start the first, save the second" }).click();
  await page.waitForURL("**/fryer");
  await expect(page.getByRole("heading", { level: 1 }).first()).toHaveText("Load 8 drumsticks");
  await expect(page.getByRole("heading", { name: "Ready to start" })).toBeVisible();
  await expect(page.getByRole("link", { name: /bone-in pork chops/ })).toBeVisible();
});

test("bad loads are refused in words, in time", async ({ page }) => {
  await page.goto("/plan");
  await type(page, "Pieces", "200");
  await expect(page.getByRole("alert")).toHaveText("Write a whole number from 1 to 60.");
  await page.keyboard.press("Escape");
  await choose(page, "Cut", "whole chickens");
  await choose(page, "Machine", /^a compact drum/);
  await expect(page.getByRole("alert")).toContainText("does not fit");
  await expect(page.getByRole("button", { name: "Start cooking" })).toBeDisabled();
});

test("the drawing is downloaded to scale and printed alone", async ({ page }) => {
  await page.goto("/plan");
  await piece(page, 1).scrollIntoViewIfNeeded();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Download the drawing" }).click();
  const file = await (await download).path();
  const { readFile } = await import("node:fs/promises");
  const svg = await readFile(file, "utf8");
  // The drum is 250 mm across, and 6 mm of paper around it.
  expect(svg).toContain('width="262mm"');
  expect(svg.match(/<text/g)).toHaveLength(8);
});

test("at the fryer each batch shows how it lies, and the spit its checklist", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  await expect(page.getByRole("img", { name: /^8 pieces as they lie/ })).toBeVisible();
  await page.goto("/plan");
  await choose(page, "Machine", /^the shelves/);
  await choose(page, "Cut", "pork loin roasts");
  await choose(page, "How it is held", /^on the spit/);
  await page.getByRole("button", { name: "Start cooking" }).click();
  await page.waitForURL("**/fryer/*");
  await page.getByLabel("One turn by hand: clear of walls and element all the way round.").check();
  await page.getByRole("button", { name: "It does not turn" }).click();
  await expect(page.locator("ol li").filter({ hasText: "%" }).first()).toBeVisible();
  await page.getByRole("button", { name: "Loaded" }).click();
  await expect(page.getByRole("button", { name: "It does not turn" })).toBeVisible();
  await expect(page.getByText("Before you switch it on")).toHaveCount(0);
});
