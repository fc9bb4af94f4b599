import { chromium } from "@playwright/test";
const b = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox"] });
const p = await b.newPage({ serviceWorkers: "block" });
await p.addInitScript((names) => localStorage.setItem("zesty-ember.shown", JSON.stringify(Object.fromEntries(names.map(n=>[n,true])))), ["details", "preparation", "arrangement", "alongside", "result", "temperatures", "measure"]);
for (const path of ["/plan", "/", "/kitchen", "/logbook"]) {
await p.goto(process.argv[2] + path); await p.waitForLoadState("networkidle");
console.log(path, await p.evaluate(() => { const c = {}; for (const e of document.querySelectorAll("body *")) { const k = e.tagName + (e.getAttribute("class")?.includes("css-") ? "*" : ""); c[k] = (c[k] ?? 0) + 1; } return Object.entries(c).sort((a, b) => b[1] - a[1]).slice(0, 24).map((x) => x.join(" ")).join(", "); }));
console.log(await p.evaluate(() => [...document.styleSheets].map(s => s.cssRules.length).join(",")));
}
await b.close();
