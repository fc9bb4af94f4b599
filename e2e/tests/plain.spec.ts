// The plan on a screen, the strip as editor, everyday manners: as a new cook meets them.
import { choose, complaints, EVERYTHING, expect, fitsTheWidth, type Page, test, word } from "./kitchen";

const turn = (page: Page) => page.getByRole("slider", { name: "Turn every piece" });

test.describe("for a new cook", () => {
  test.describe("on a phone", () => {
    test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

    test("the first screenful has the sentence, what is dialled, the strip and the start", async ({
      page,
    }) => {
      await page.goto("/plan");
      const start = page.getByRole("button", { name: "Start cooking" });
      await expect(start).toBeInViewport({ ratio: 1 });
      await expect(page.getByText(/^200 °C for \d+ min; turn after \d+, check at \d+ min$/)).toBeInViewport();
      await expect(turn(page)).toBeInViewport();
      await expect(page.getByRole("button", { name: /usual details/ })).toBeInViewport();
      // Three screens at most, folded.
      const height = await page.evaluate(() => document.documentElement.scrollHeight);
      expect(height).toBeLessThanOrEqual(3 * 844);
      await fitsTheWidth(page);
    });

    test("what unfolds is remembered", async ({ page }) => {
      await page.goto("/plan");
      await page.getByRole("button", { name: /^\W*Arrangement/ }).click();
      await expect(page.getByText("The smallest gap is", { exact: false })).toBeVisible();
      await page.reload();
      await expect(page.getByText("The smallest gap is", { exact: false })).toBeVisible();
    });

    test("a step is added by touch, and a pin is moved by its buttons", async ({ page }) => {
      await page.goto("/plan");
      await expect(turn(page)).toBeVisible();
      await page.getByRole("slider", { name: /Temperature at/ }).tap({ position: { x: 120, y: 120 } });
      await page.getByRole("button", { name: "Spray with oil" }).tap();
      const spray = page.getByRole("slider", { name: "Spray with oil" });
      await expect(spray).toBeVisible();
      await spray.tap();
      await page.getByRole("button", { name: "A minute later" }).tap();
      await expect(page.getByText(/Spray with oil after \d+ min/).first()).toBeVisible();
      await page.getByRole("button", { name: "Remove" }).tap();
      await expect(spray).toHaveCount(0);
    });
  });

  test("a pin is dragged: the sentence and the steps follow, and it says what that does", async ({
    page,
  }) => {
    await page.goto("/plan");
    const box = await turn(page).boundingBox();
    if (!box) throw new Error("no pin");
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x - 180, y, { steps: 6 });
    await expect(page.getByText(/longer|shorter|no difference|instead of|^core \d+/)).toBeVisible();
    await page.mouse.up();
    await expect(word(page, "Planned on the way")).toHaveText(/^turn every piece after \d+ min$/);
    const moved = await turn(page).getAttribute("aria-valuenow");
    await expect(page.getByText(new RegExp(`turn after ${moved}, `)).first()).toBeVisible();
  });

  test("a shop's name finds the cut, and what is not cooked yet is said", async ({ page }) => {
    await page.goto("/plan");
    await word(page, "Cut").click();
    const search = page.getByRole("textbox", { name: "Search" });
    await search.fill("mid-joint");
    await page.keyboard.press("Enter");
    await expect(word(page, "Cut")).toHaveText("wing flats");
    await word(page, "Cut").click();
    await search.fill("gammon");
    await expect(page.getByText(/Cured and smoked meat is not planned yet/)).toBeVisible();
  });

  test("a pack is weighed as its label says", async ({ page }) => {
    await page.goto("/plan");
    await word(page, "Weight of a piece").click();
    await page.getByRole("button", { name: "all together" }).click();
    await page.getByRole("textbox", { name: "Weight of all pieces" }).fill("1,2 kg");
    await page.keyboard.press("Enter");
    await expect(word(page, "Weight of a piece")).toHaveText("150 g");
  });
});

test.describe("in a 12-hour language and another time zone", () => {
  test.use({ locale: "en-US", timezoneId: "America/New_York" });

  test("times are written and typed as there", async ({ page }) => {
    await page.goto("/plan");
    await word(page, "On the table").click();
    const clock = page.getByRole("textbox", { name: "Time on the clock" });
    await clock.fill("7 pm");
    await page.keyboard.press("Enter");
    await expect(word(page, "On the table")).toHaveText("at 7:00 PM");
    await expect(page.getByText(/On the table .*(AM|PM)/)).toBeVisible();
    expect(page.url()).toContain("eat=19%3A00");
    await page.goto("/supper");
    await expect(word(page, "On the table at")).toHaveText(/^\d+:\d\d\s(AM|PM)$/);
    await page.goto("/");
    await expect(page.getByText(/Start by .*(AM|PM) to eat at .*(AM|PM)/).first()).toBeVisible();
  });
});

test.describe("where a whole cut may go below the safe minimum", () => {
  test.use({ locale: "en-US" });

test("a link is short, and takes nobody's consent along", async ({ page, context, kitchen }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await page.goto("/plan");
  await choose(page, "Cut", "beef steaks");
  await choose(page, "Until", /^medium-rare/);
  await page.getByRole("button", { name: "I know, plan it anyway" }).click();
  await expect(page.getByText("Below the safe minimum.").first()).toBeVisible();
  await page.getByRole("button", { name: "Copy link" }).click();
  await expect(page.getByText(/^Link copied/)).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  expect(link.startsWith(kitchen.url)).toBe(true);
  expect(link.length).toBeLessThan(200);
  const other = await context.browser()?.newContext({ locale: "en-US" });
  if (!other) throw new Error("no browser");
  const friend = await other.newPage();
  await friend.goto(link);
  await expect(word(friend, "Cut")).toHaveText("beef steak");
  await expect(friend.getByRole("button", { name: "I know, plan it anyway" })).toBeVisible();
  await other.close();
});
});

test("each place has a title, a heading and the focus", async ({ page }) => {
  await page.goto("/plan");
  for (const [name, title, heading] of [
    ["Supper", /^Supper/, /for 4/],
    ["Cook now", /Cook now|·/, /./],
    ["Logbook", /^Logbook/, /^Logbook$/],
    ["Kitchen", /^Kitchen/, /^Your machines$/],
    ["Plan", /^Plan: 8 drumsticks/, /^Plan$/],
  ] as const) {
    await page.getByRole("navigation").getByRole("link", { name, exact: true }).click();
    await expect(page.getByRole("heading", { level: 1 }).first()).toHaveText(heading);
    await expect(page).toHaveTitle(title);
    await expect(page.locator("#main")).toBeFocused();
  }
});

test("single keys follow their letter, and can be switched off", async ({ page }) => {
  await page.goto("/plan");
  await expect(word(page, "Until")).toHaveText("juicy, 77 °C");
  // The letter u where a keyboard has it under another key.
  await page.evaluate(() =>
    document.dispatchEvent(new KeyboardEvent("keydown", { key: "u", code: "KeyF", bubbles: true })),
  );
  await expect(word(page, "Until")).toHaveText("juicy, 171 °F");
  await page.getByRole("button", { name: "More" }).click();
  await page.getByText("Single keys do something").click();
  await page.keyboard.press("Escape");
  await page.locator("#main").focus();
  await page.keyboard.press("u");
  await page.keyboard.press("n");
  await expect(word(page, "Until")).toHaveText("juicy, 171 °F");
});

test("paper is white, whatever the screen is", async ({ page }) => {
  await page.emulateMedia({ colorScheme: "dark" });
  await page.goto("/plan");
  await expect(page.locator("html")).toHaveClass(/dark/);
  await page.emulateMedia({ colorScheme: "dark", media: "print" });
  await expect(page.locator("html")).not.toHaveClass(/dark/);
});

test("the logbook's page and search are in its address", async ({ page }) => {
  await page.goto("/logbook?q=caraway");
  await expect(page.getByRole("searchbox")).toHaveValue("caraway");
  await expect(page.getByRole("article")).toHaveCount(1);
  await page.getByRole("searchbox").fill("");
  await expect(page).toHaveURL(/\/logbook$/);
  // A page that is not there any more is the last one there is.
  await page.goto("/logbook?page=9");
  await expect(page.getByRole("article").first()).toBeVisible();
  await expect(page).toHaveURL(/\/logbook$/);
});

test.describe("in an empty kitchen", () => {
  test.use({ demo: false });

  test("three questions, each to be skipped, lead to a plan", async ({ page }) => {
    await page.goto("/");
    await expect(page.getByRole("heading", { name: "Three questions" })).toBeVisible();
    await page.getByRole("button", { name: "°C, grams" }).click();
    await page.getByRole("textbox", { name: /Capacity/ }).fill("4 l");
    await page.getByRole("button", { name: "Add machine" }).click();
    await expect(page.getByText(/is in the kitchen/)).toBeVisible();
    await page.getByRole("link", { name: /^Cook 8 drumsticks/ }).click();
    await expect(word(page, "Cut")).toHaveText("drumsticks");
    await page.goto("/");
    await expect(page.getByRole("heading", { name: "Today" })).toBeVisible();
  });
});

/** Addresses of a cook under way, of one that is over, alone and beside another, and of a supper that is saved. */
const OF_THE_KITCHEN: Record<string, (page: Page) => Promise<string>> = {
  "a cook under way": async (page) => {
    const [over] = await cooksThatAreOver(page);
    const begun = await page.request.post("/api/cooks", { data: { name: "Begun", request: over?.request } });
    const { id } = (await begun.json()) as Row;
    const loaded = { id: crypto.randomUUID(), happening: { kind: "started" } };
    expect((await page.request.post(`/api/cooks/${id}/events`, { data: loaded })).ok()).toBe(true);
    return `/fryer/${id}`;
  },
  "a cook that is over": async (page) => `/logbook/${(await cooksThatAreOver(page))[0]?.id}`,
  "two cooks side by side": async (page) => {
    const [one, other] = await cooksThatAreOver(page);
    return `/logbook/${one?.id}/with/${other?.id}`;
  },
  "a supper": async (page) => `/supper/${(await read(page, "/api/suppers"))[0]?.id}`,
};

interface Row {
  id: string;
  request: object;
  finished_at?: string | null;
}

const read = async (page: Page, path: string) =>
  ((await (await page.request.get(path)).json()) as { items: Row[] }).items;

const cooksThatAreOver = async (page: Page) =>
  (await read(page, "/api/cooks?per_page=50")).filter((cook) => cook.finished_at);

const BENCH = ["", "?tool=what_if", "?tool=wrong", "?tool=practice"].map((tool) => `/bench${tool}`);
const VIEWS = ["/", "/plan", "/supper", "/fryer", "/logbook", ...BENCH, "/kitchen", "/kitchen/new"];

const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
];

/** Axe's rules that colours decide. */
const COLOURS = ["color-contrast", "link-in-text-block"];

/** Each scheme and size in place: the view is opened once. */
async function nothingToComplainOf(page: Page, view: string) {
  await page.emulateMedia({ reducedMotion: "reduce" });
  await page.goto(view);
  await expect(page.getByRole("heading", { level: 1 }).first()).toBeAttached();
  await page.waitForLoadState("networkidle");
  for (const colorScheme of ["light", "dark"] as const) {
    await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
    const dark = page.locator("html.dark");
    await expect(dark).toHaveCount(colorScheme === "dark" ? 1 : 0);
    for (const viewport of SIZES) {
      await page.setViewportSize(viewport);
      // Both schemes have the same elements in other colours.
      const violations = await complaints(page, colorScheme === "dark" ? COLOURS : undefined);
      const told = violations.map(
        (one) => `${one.id}: ${one.nodes.map((node) => node.html.slice(0, 120)).join(" | ")}`,
      );
      expect(told, `${colorScheme}, ${viewport.width} wide`).toEqual([]);
      await fitsTheWidth(page);
    }
  }
}

test.describe("with everything unfolded", () => {
  test.use({ shown: EVERYTHING });

  for (const view of VIEWS) {
    test(`nothing to complain of at ${view}`, ({ page }) => nothingToComplainOf(page, view));
  }
  for (const [name, address] of Object.entries(OF_THE_KITCHEN)) {
    test(`nothing to complain of in ${name}`, async ({ page }) => {
      await nothingToComplainOf(page, await address(page));
    });
  }
});
