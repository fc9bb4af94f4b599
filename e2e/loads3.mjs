import { chromium } from "@playwright/test";
const [url, paths = "/plan", n = "10"] = process.argv.slice(2);
const ctx = await chromium.launchPersistentContext("/var/tmp/prof/profile", { executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox","--disable-gpu"], reducedMotion: "reduce", serviceWorkers: "block", viewport: {width:1280,height:800}, locale: "en-GB" });
for (const path of paths.split(",")) for (let i = 0; i < Number(n); i++) {
    const page = await ctx.newPage();
    await page.addInitScript((names) => { localStorage.clear(); indexedDB.deleteDatabase("zesty-ember"); localStorage.setItem("zesty-ember.shown", JSON.stringify(Object.fromEntries(names.map(n=>[n,true])))) }, ["details", "preparation", "arrangement", "alongside", "result", "temperatures", "measure"]);
    const cdp = await ctx.newCDPSession(page); await cdp.send("Performance.enable");
    await page.goto(url + path); await page.waitForLoadState("networkidle");
    const m = Object.fromEntries((await cdp.send("Performance.getMetrics")).metrics.map((x) => [x.name, x.value]));
    console.log(path, m.TaskDuration.toFixed(2), m.ScriptDuration.toFixed(2));
    await page.close();
  }
await ctx.close();
