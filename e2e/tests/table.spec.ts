// Supper: several dishes towards one time, by mouse and keyboard, at both sizes; running late.
import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import { Ajv2020 } from "ajv/dist/2020.js";
import { accessible, answers, choose, expect, fitsTheWidth, nothingElse, press, settled, test, word } from "./kitchen";

interface CookRow {
  request: { cut: string };
}

interface KeptSupper {
  id: string;
  plan: { serve_at: string };
  cooks: { cook: string }[];
}

test.use({ locale: "en-GB", serviceWorkers: "allow", shown: ["details", "preparation"] });

/** The evening after the next: there is an evening before it, whatever the time is now. */
const evening = () => {
  const at = new Date(Date.now() + 2 * 86_400_000);
  const weekday = at.toLocaleDateString("en-GB", { weekday: "short", timeZone: "UTC" });
  return new RegExp(`^${weekday}.* ${at.getUTCDate()} `);
};

/** So that the time of day at which this runs makes no difference. */
const awake = (page: Page) => choose(page, "Nobody works", "No quiet hours");

/** Two cooks and two sides. */
async function lay(page: Page) {
  await page.goto("/supper");
  await choose(page, "Add a cook", "party wings");
  await choose(page, "Add a cook", "pork loin roasts");
  await choose(page, "Add a side", /^green beans/);
  await choose(page, "Add a side", /^a cold sauce/);
  await choose(page, "Day", evening());
  await choose(page, "Getting ready", /^salted and bare overnight/);
  await expect(page.getByText("Let it dry in the fridge, on a rack, uncovered").first()).toBeVisible();
}

test("a supper from the evening before to the table", async ({ page }) => {
  await lay(page);
  // The same in order of the clock, from the evening before on.
  await expect(page.getByText("Tomorrow", { exact: true })).toBeVisible();
  await expect(page.getByText(evening()).last()).toBeVisible();
  await expect(page.getByRole("slider", { name: "On the table" })).toHaveAttribute(
    "aria-valuetext",
    /19:00$/,
  );
  await expect(page.getByText(/^12 party wings: ready at (18:5[5-9]|19:00)/)).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  // A reload loses nothing that is not kept yet.
  await page.reload();
  await expect(word(page, "Getting ready").first()).toHaveText("salted and bare overnight");

  // The table is moved by keyboard and with the mouse.
  const table = page.getByRole("slider", { name: "On the table" });
  await table.focus();
  await page.keyboard.press("ArrowRight");
  await expect(word(page, "On the table at")).toHaveText("19:05");
  await page.getByRole("button", { name: "the last hour" }).click();
  // The plan for that time moves the lanes: a hand waits until they stand still.
  await expect(page.getByText(/^12 party wings: ready at 19:0[0-5]/)).toBeVisible();
  await table.hover();
  const box = await table.boundingBox();
  if (!box) throw new Error("the table has no place on the screen");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.down();
  await page.mouse.move(x - 200, y, { steps: 4 });
  await page.mouse.up();
  await expect(word(page, "On the table at")).not.toHaveText("19:05");

  const text = page.waitForEvent("download");
  await page.getByRole("button", { name: "As text" }).click();
  const told = await readFile(await (await text).path(), "utf8");
  expect(told).toContain("## By the clock");
  expect(told).toContain("fine salt");
  const file = page.waitForEvent("download");
  await page.getByRole("button", { name: "As a file" }).click();
  const saved = await readFile(await (await file).path(), "utf8");
  // Ajv, an independent reader of JSON Schema.
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  const valid = ajv.compile(await (await page.request.get("/api/suppers/schema")).json());
  expect(valid(JSON.parse(saved)), ajv.errorsText(valid.errors)).toBe(true);
  expect(valid({ name: "half a supper" })).toBe(false);
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByRole("button", { name: /^Leave out/ })).toHaveCount(0);
  await page.getByLabel("File of a supper").setInputFiles({
    name: "supper.json",
    mimeType: "application/json",
    buffer: Buffer.from(saved),
  });
  await expect(page.getByRole("button", { name: /^Leave out/ })).toHaveCount(4);
  await page.getByLabel("File of a supper").setInputFiles({
    name: "notes.json",
    mimeType: "application/json",
    buffer: Buffer.from("two eggs"),
  });
  await expect(page.getByRole("alert")).toContainText("“notes.json” holds no supper");
});

test("a kept supper is planned anew around what has begun", async ({ page }) => {
  await page.goto("/supper");
  await choose(page, "Add a cook", "drumsticks");
  await choose(page, "Getting ready", /^bare for half an hour/);
  await awake(page);
  await choose(page, "What for", /as soon as possible/);
  await expect(page.getByText("By the clock")).toBeVisible();
  await page.getByRole("button", { name: "Save supper" }).click();
  await page.waitForURL("**/supper/*");
  await expect(page.getByRole("timer")).toBeVisible();
  const serve = await page.getByRole("slider", { name: "On the table" }).getAttribute("aria-valuetext");
  for (let late = 0; late < 3; late += 1) {
    await page.getByRole("button", { name: "5 min later", exact: true }).first().click();
    await expect(page.getByText(/^Moved: /)).toBeVisible();
  }
  await expect(page.getByRole("slider", { name: "On the table" })).not.toHaveAttribute(
    "aria-valuetext",
    serve ?? "",
  );
  await page.getByRole("button", { name: "Done", exact: true }).first().click();
  await expect(page.getByText(/^done at/).first()).toBeVisible();
  await accessible(page);
  const calendar = page.waitForEvent("download");
  await page.getByRole("link", { name: "For the calendar" }).click();
  const ics = await readFile(await (await calendar).path(), "utf8");
  expect(ics).toContain("BEGIN:VALARM");

  await page.goto("/supper");
  await page.getByRole("button", { name: "Delete Supper", exact: true }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Delete Supper", exact: true })).toBeVisible();
});

test("what does not go says why, and offers ways out", async ({ page }) => {
  await lay(page);
  await choose(page, "Day", "today");
  await word(page, "On the table at").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill("supper time");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").last()).toContainText("“supper time” is not a time of day");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "2 steps" }).first().click();
  await word(page, "Time: Step 2 of green beans").click();
  await page.getByRole("textbox", { name: "Time: Step 2 of green beans" }).fill("30 h");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").last()).toContainText("30 h is longer than a day");
  await page.keyboard.press("Escape");
  // In twenty minutes: too little for a roast.
  const soon = new Date(Date.now() + 20 * 60_000);
  const clock = `${String(soon.getUTCHours()).padStart(2, "0")}:${String(soon.getUTCMinutes()).padStart(2, "0")}`;
  await word(page, "On the table at").click();
  await page.getByRole("textbox", { name: "Time on the clock" }).fill(clock);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText(/This schedule does not work|has passed/);
  await expect(page.getByRole("button", { name: /^Leave out (?!step)/ })).toHaveCount(4);
});

test("a crowded evening shows where it clashes, and goes another way", async ({ page }) => {
  await page.goto("/supper");
  await choose(page, "Add a cook", "drumsticks");
  await choose(page, "Add a cook", "pork loin roasts");
  await awake(page);
  const soon = new Date(Date.now() + 75 * 60_000);
  const pad = (value: number) => String(value).padStart(2, "0");
  await choose(page, "Day", soon.getUTCDate() === new Date().getUTCDate() ? "today" : "tomorrow");
  await word(page, "On the table at").click();
  const clock = `${pad(soon.getUTCHours())}:${pad(soon.getUTCMinutes())}`;
  await page.getByRole("textbox", { name: "Time on the clock" }).fill(clock);
  await page.keyboard.press("Enter");
  const alert = page.getByRole("alert");
  await expect(alert).toContainText("This schedule does not work");
  await expect(alert).toContainText("8 drumsticks and the pork loin roast at once in the drum");
  await expect(page.getByTitle(/at once in the drum, \d\d:\d\d to/)).toBeVisible();
  await accessible(page);
  await fitsTheWidth(page);
  // The kitchen's other machine is a way out, and says what it does to the meat.
  await expect(alert).toContainText(/min in the machine/);
  await alert.getByRole("button", { name: "Cook 8 drumsticks in the shelves" }).click();
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(word(page, "Machine").first()).toHaveText("the shelves");
});

test("out of the kitchen by a time, potatoes when the heat is turned down", async ({ page }) => {
  await page.goto("/supper");
  await choose(page, "Add a cook", "pork loin roasts");
  await choose(page, "Add a side", /^roast potatoes/);
  await choose(page, "What for", "kitchen work finished");
  await choose(page, "Day", "tomorrow");
  await expect(word(page, "Finished by")).toHaveText("19:00");
  await expect(page.getByText("Add the roast potatoes")).toBeVisible();
  await page.getByRole("button", { name: "5 steps" }).click();
  await choose(page, "When: Step 4 of roast potatoes", "when its heat is turned down");
  await expect(page.getByRole("alert")).toContainText("give that cook a hot start");
  // In its plan, and back.
  await page.getByRole("link", { name: "Edit cooking plan" }).click();
  await choose(page, "Programme", /hot/);
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Save to supper" }).click();
  await page.waitForURL("**/supper");
  await expect(page.getByRole("alert")).toHaveCount(0);
  await expect(page.getByText("Add the roast potatoes")).toBeVisible();
  await page.getByRole("button", { name: "5 steps" }).click();
  await choose(page, "When: Step 4 of roast potatoes", "at a minute");
  await expect(word(page, "Minute: Step 4 of roast potatoes")).toHaveText("20 min");
  await accessible(page);
});

test("cards for paper: getting ready, each cook, what to weigh out", async ({ page }) => {
  await page.addInitScript(() => {
    window.print = () => {};
  });
  await page.goto("/supper");
  await page.getByRole("link", { name: "Supper for the ferry crew" }).click();
  const pages = async (paper: string) => {
    await choose(page, "Print cards", paper);
    const pdf = (await page.pdf({ preferCSSPageSize: true })).toString("latin1");
    return {
      size: /\/MediaBox \[0 0 (\d+)/.exec(pdf)?.[1],
      count: [...pdf.matchAll(/\/Type\s*\/Page[^s]/g)].length,
    };
  };
  // 210 mm are 595 points, 8.5 in are 612 (ISO 216 and ANSI Y14.1; from memory).
  // A sheet for each cook, one for what is got ready, one for what is weighed out; the second may need two.
  for (const [paper, size] of [["on A4", "594"], ["on Letter", "612"]] as const) {
    const printed = await pages(paper);
    expect(printed.size).toBe(size);
    expect([4, 5]).toContain(printed.count);
  }
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("heading", { name: "Cook 16 drumsticks" })).toBeVisible();
  await expect(page.getByText("At 200 °C, until the core reads 77 °C.")).toBeVisible();
  await expect(page.getByText("fennel seed, crushed in lemon and fennel rub").first()).toBeVisible();
  await expect(page.getByRole("slider")).toHaveCount(0);
});

test.describe("on a phone, by keyboard", () => {
  test.use({ viewport: { width: 390, height: 844 }, colorScheme: "dark" });

  test("the demo's supper says one next thing", async ({ page }) => {
    await page.goto("/supper");
    await page.getByRole("link", { name: "Supper for the ferry crew" }).focus();
    await page.keyboard.press("Enter");
    await page.waitForURL("**/supper/*");
    await expect(page.getByRole("timer")).toBeVisible();
    await expect(page.getByText("Blot every piece dry").first()).toBeVisible();
    await fitsTheWidth(page);
    await accessible(page);
  });

  test("at the fryer a supper is followed across its dishes", async ({ page }) => {
    await nothingElse(page);
    await page.goto("/supper");
    await choose(page, "Add a cook", "drumsticks");
    await choose(page, "Add a side", /^green beans/);
    await awake(page);
    await choose(page, "What for", /as soon as possible/);
    await page.getByRole("button", { name: "Save supper" }).click();
    await page.waitForURL("**/supper/*");
    const answered = answers(page);
    await page.goto("/fryer");
    const heading = page.getByRole("heading", { level: 1 }).first();
    await expect(page.getByRole("timer")).toBeVisible();
    const first = await heading.textContent();
    await accessible(page);
    await fitsTheWidth(page);
    await page.getByRole("button", { name: "5 min later", exact: true }).click();
    await expect(page.getByRole("button", { name: "5 min later", exact: true })).toBeEnabled();
    await expect(page.getByText(/^Then, at/)).toBeVisible();
    await press(page.getByRole("button", { name: /^(Started|Done)$/ }));
    await expect(heading).not.toHaveText(first ?? "");
    await answered();
    // With the network gone it goes on, and nothing told is lost.
    const told = [first, await heading.textContent()];
    await page.context().setOffline(true);
    await press(page.getByRole("button", { name: /^(Started|Done)$/ }));
    await expect(page.getByText("1 not sent yet")).toBeVisible();
    // Told once, whoever noticed.
    await expect(page.getByText(/updates are sent when the server answers/i)).toHaveCount(1);
    const later = await heading.textContent();
    await page.context().setOffline(false);
    await expect(page.getByText(/updates are sent when the server answers/)).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole("timer")).toBeVisible();
    // The supper tells a moment of hands, the cook of its dish one step after the other.
    await expect(heading).toContainText(later?.split(";")[0] ?? "");
    // Through everything, whatever dish it is of, to the table: what is loaded is followed by its own cook.
    const button = page.getByRole("button", {
      name: /^(Started|Done|Loaded|Turned|Skip|Taken out|Rested|Served)$/,
    });
    // Nothing has been in for long: what comes out goes back in.
    for (let n = 0; n < 16; n += 1) {
      // Under a finger nothing jumps away: what is read is what is pressed, by a hand that is no quicker than
      // what it told is on its way.
      await answered();
      const now = await heading.textContent();
      if (now === "Put it back" || now === "How did it come out?") break;
      // Read and pressed in one go: a nearer thing may come between the two.
      const pressed = await button.first().evaluate((node) => {
        // What has just gone from the screen is pressed by nobody.
        if (!node.isConnected) return null;
        const said = document.querySelector("h1")?.textContent ?? "";
        (node as HTMLElement).click();
        return said;
      });
      if (pressed === null) continue;
      told.push(pressed);
      await expect(heading.filter({ hasText: pressed })).toHaveCount(0);
    }
    const all = told.join("; ");
    for (const said of ["Load 8 drumsticks", "Boil the beans", "Turn every piece", "Take everything out"]) {
      expect(all).toContain(said);
    }
    expect(all.split("Turn every piece")).toHaveLength(2);
    if ((await heading.textContent()) === "Put it back") {
      await page.getByRole("button", { name: "Finish" }).click();
    }
    await page.getByRole("button", { name: "crisp", exact: true }).click();
    await page.getByRole("button", { name: "just right" }).click();
    await page.getByRole("button", { name: "Save to logbook" }).click();
    await page.goto("/logbook");
    await expect(page.getByText("8 drumsticks").first()).toBeVisible();
  });

  test("a supper is one thing at the fryer: a cook moves its table, one undo, nothing rings twice", async ({ page }) => {
    await nothingElse(page);
    const cooks = (await (await page.request.get("/api/cooks?per_page=50")).json()) as { items: CookRow[] };
    const request = cooks.items.find((one) => one.request.cut === "drumstick")?.request;
    const made = await page.request.post("/api/suppers", {
      data: { name: "Drumsticks alone", eaters: 4, hands: 1, rings: 4, shelves: 3, dishes: [{ cook: { request: { ...request, ahead: [] } } }] },
    });
    expect(made.status()).toBe(201);
    const { id } = (await made.json()) as KeptSupper;
    const kept = async () => (await (await page.request.get(`/api/suppers/${id}`)).json()) as KeptSupper;
    const table = async () => new Date((await kept()).plan.serve_at).getTime();
    await page.goto(`/fryer?supper=${id}`);
    const heading = page.getByRole("heading", { level: 1 }).first();
    const due = page.getByRole("button", { name: "Started" });
    for (const before of [/^Blot/, /^Oil/]) {
      await expect(heading).toHaveText(before);
      await press(page.getByRole("button", { name: "Done", exact: true }));
    }
    await expect(heading).toHaveText(/^Load/);
    await expect(page.getByText(/^Set \d+ °C, \d+ min$/)).toBeVisible();
    await due.click();
    await expect(heading).toHaveText(/^Turn/);
    // Its own moments are told to the cook, and it is asked for once.
    await expect(page.getByText(/^Drumsticks alone, on the table today/).first()).toBeVisible();
    const others = page.getByRole("region", { name: "Also cooking" });
    await expect(others.getByText(/Drumsticks alone/)).toHaveCount(0);
    await expect(heading).toHaveText(/^Turn/);
    await accessible(page);
    await fitsTheWidth(page);
    // Kept in for an hour from now: the table is moved by as much.
    const before = await table();
    const [cook] = (await kept()).cooks;
    const longer = { id: crypto.randomUUID(), happening: { kind: "keep_in", keep_s: 3600 } };
    await page.request.post(`/api/cooks/${cook?.cook}/events`, { data: longer });
    await expect.poll(table).toBeGreaterThan(before + 20 * 60_000);
    await page.getByRole("button", { name: "Undo: time added" }).click();
    await expect.poll(table).toBeLessThan(before + 3 * 60_000);
    await press(page.getByRole("button", { name: "Undo: loaded" }));
    await press(page.getByRole("button", { name: "Undo: started" }));
    await expect(due).toBeVisible();
    await expect.poll(async () => (await kept()).cooks).toEqual([]);
  });
});

test("from the plan to the supper, with the method the plan counts with", async ({ page }) => {
  await page.goto("/plan");
  await page.getByRole("button", { name: "salted and bare overnight" }).click();
  await page.getByRole("button", { name: "Use this method" }).click();
  await expect(page.getByText("Used in this plan.")).toBeVisible();
  await word(page, "Time: Let it dry in the fridge, on a rack, uncovered").click();
  await page.getByRole("textbox", { name: "Time", exact: true }).fill("3 h");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert")).toContainText("Write 4 h to 24 h.");
  await page.getByRole("textbox", { name: "Time", exact: true }).fill("8 h");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Used in this plan.")).toBeVisible();
  await accessible(page);
  await page.getByRole("button", { name: "Add to supper" }).click();
  await choose(page, "Day", "tomorrow");
  await expect(page.getByText("Let it dry in the fridge, on a rack, uncovered").first()).toBeVisible();
});
