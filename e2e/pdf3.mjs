import { chromium } from "@playwright/test";
const b = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
const c = await b.newContext({ locale: "en-GB", timezoneId: "UTC", reducedMotion: "reduce" });
const p = await c.newPage(); await p.addInitScript(() => { window.print = () => {}; });
await p.goto("http://127.0.0.1:8899/supper"); await p.getByRole("link", { name: "Supper for the ferry crew" }).click();
for (const paper of ["on Letter", "on A4", "on A4"]) {
await p.getByRole("button", { name: /^Print cards:/ }).first().click(); await p.getByRole("dialog", { name: "Print cards" }).getByRole("button", { name: paper }).click();
const pdf = await p.pdf({ preferCSSPageSize: true, path: "/tmp/cards-" + paper.slice(3) + ".pdf" });
console.log([...pdf.toString("latin1").matchAll(/\/Type\s*\/Page[^s]/g)].length);
}
await b.close();
