import { chromium } from "@playwright/test";
const b = await chromium.launch({ executablePath: process.argv[2] ?? "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
const c = await b.newContext({ locale: "en-GB", timezoneId: "UTC", reducedMotion: "reduce" });
const p = await c.newPage(); await p.addInitScript(() => { window.print = () => {}; });
await p.goto("http://127.0.0.1:8899/supper"); await p.getByRole("link", { name: "Supper for the ferry crew" }).click(); await p.waitForLoadState("networkidle");
for (const [n, paper] of ["on A4", "on A4", "on Letter", "on A4"].entries()) {
await p.getByRole("button", { name: /^Print cards:/ }).first().click(); await p.getByRole("dialog", { name: "Print cards" }).getByRole("button", { name: paper }).click();
console.log(await p.evaluate(() => [...document.fonts].map(f => f.family.slice(0,6) + f.status + f.unicodeRange.slice(0, 12)).join(" ")));
console.log(await p.evaluate(() => document.getElementById("paper").textContent));
const pdf = await p.pdf({ preferCSSPageSize: true, path: `/tmp/p${n}.pdf` });
console.log([...pdf.toString("latin1").matchAll(/\/Type\s*\/Page[^s]/g)].length);
}
await b.close();
