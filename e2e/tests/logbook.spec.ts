// The log: found, compared, read from files, with photographs.
import { deflateSync } from "node:zlib";
import { accessible, expect, fitsTheWidth, test } from "./kitchen";

test.use({ locale: "en-GB" });

test("the log is found by cut, machine, method and outcome, and the address keeps it", async ({ page }) => {
  await page.goto("/logbook");
  const rows = page.getByRole("main").getByRole("article");
  await expect(rows).toHaveCount(8);
  const only = page.getByRole("group", { name: "Show only" });
  await only.getByLabel("Machine").selectOption("the shelves");
  await expect(rows).toHaveCount(3);
  await only.getByLabel("Cut").selectOption("party wings");
  await expect(rows).toHaveCount(1);
  await page.reload();
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText("Wings for the lifeboat practice");
  await only.getByLabel("Outcome").selectOption("too dry");
  await expect(page.getByText("No such cook")).toBeVisible();
  await accessible(page);
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(rows).toHaveCount(8);
  await only.getByLabel("Outcome").selectOption("too dry");
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText("Cider chops");
  await page.goto("/logbook");
  await only.getByLabel("Method").selectOption("on the spit");
  await expect(rows).toHaveCount(1);
  await expect(rows).toContainText("Small pork loin on the spit");
  await expect(rows).toContainText("Cooked by the keeper.");
});

test("two cooks are compared, strip over strip", async ({ page }) => {
  await page.goto("/logbook?found=dry");
  await page.getByRole("main").getByRole("article").getByRole("link").first().click();
  await page.getByLabel("Compare with another cook").selectOption({ index: 1 });
  await expect(page.getByRole("heading", { name: "Two cooks compared" })).toBeVisible();
  await expect(page.getByRole("img", { name: /^Planned out at/ })).toHaveCount(2);
  const line = page.getByRole("row").filter({ hasText: "Inside" });
  await expect(line).toContainText("dry");
  await expect(line).toContainText("just right");
  await accessible(page);
  await fitsTheWidth(page);
});

test("readings of another program are looked at, mended and added", async ({ page }) => {
  await page.goto("/logbook?found=dry");
  await page.getByRole("main").getByRole("article").getByRole("link").first().click();
  const send = (text: string) =>
    page.getByLabel("File with readings").setInputFiles({
      name: "log.csv",
      mimeType: "text/csv",
      buffer: Buffer.from(text),
    });
  await send("t;Meat;Grill\n2;43,5;300\n5;70;320\n9;xx;350\n");
  const file = page.getByRole("region", { name: "Readings in the file" });
  await expect(file.getByText("Say what is still open above")).toBeVisible();
  await file.getByLabel("Told as").selectOption("minutes, from its beginning");
  await file.getByLabel("Unit").selectOption("°F");
  await expect(file.getByText('Line 4: core "xx" is no number')).toBeVisible();
  await expect(file.getByRole("button", { name: "Add 2 readings" })).toBeDisabled();
  await accessible(page);
  await send("minutes;Meat °F;Grill °F\n2;43,5;300\n5;70;320\n9;122;350\n");
  await expect(file.getByRole("row").filter({ hasText: "50 °C" })).toContainText("9 min");
  await file.getByRole("button", { name: "Add 3 readings" }).click();
  await expect(page.getByText("3 readings added.")).toBeVisible();
  const read = page.getByRole("table").filter({ hasText: "expected" });
  await expect(read.getByRole("row")).toHaveCount(7);
});

/** A picture of one colour: as the PNG specification lays it out. */
function png(side: number): Buffer {
  const crcs = Array.from({ length: 256 }, (_, n) => {
    let c = n;
    for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    return c >>> 0;
  });
  const crc = (bytes: Buffer) => {
    let c = 0xffffffff;
    for (const byte of bytes) c = (crcs[(c ^ byte) & 255] ?? 0) ^ (c >>> 8);
    return (c ^ 0xffffffff) >>> 0;
  };
  const chunk = (kind: string, data: Buffer) => {
    const body = Buffer.concat([Buffer.from(kind), data]);
    const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
    length.writeUInt32BE(data.length);
    sum.writeUInt32BE(crc(body));
    return Buffer.concat([length, body, sum]);
  };
  const header = Buffer.alloc(13);
  header.writeUInt32BE(side, 0);
  header.writeUInt32BE(side, 4);
  header.set([8, 2, 0, 0, 0], 8);
  const row = Buffer.alloc(1 + 3 * side, 120);
  row[0] = 0;
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk("IHDR", header),
    chunk("IDAT", deflateSync(Buffer.concat(Array.from({ length: side }, () => row)))),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

test.describe("on a phone", () => {
  test.use({ viewport: { width: 390, height: 844 } });

  test("a photograph is made smaller, kept, deleted and brought back", async ({ page }) => {
    await page.goto("/logbook?found=dry");
    await page.getByRole("main").getByRole("article").getByRole("link").first().click();
    const photographs = page.getByRole("region", { name: "Photographs" });
    await expect(photographs.getByRole("img")).toHaveCount(1);
    const file = page.getByLabel("Photograph", { exact: true });
    await file.setInputFiles({ name: "a.txt", mimeType: "image/png", buffer: Buffer.from("no") });
    await expect(photographs.getByText("cannot read that file as a photograph")).toBeVisible();
    await file.setInputFiles({ name: "a.png", mimeType: "image/png", buffer: png(1600) });
    const second = photographs.getByRole("img", { name: /^Photograph 2 of/ });
    await expect(second).toBeVisible();
    // Smaller than it was taken.
    await expect
      .poll(() => second.evaluate((image) => (image as HTMLImageElement).naturalWidth))
      .toBe(1280);
    await accessible(page);
    await fitsTheWidth(page);
    await photographs.getByRole("button", { name: "Delete photograph 2" }).click();
    await expect(photographs.getByRole("img")).toHaveCount(1);
    await photographs.getByRole("button", { name: "Undo" }).click();
    await expect(photographs.getByRole("img")).toHaveCount(2);
  });
});
