import { chromium } from "@playwright/test";
const [url, paths = "/plan", n = "10", shown = "open"] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell", args: ["--no-sandbox","--disable-gpu"] });
const med = (a) => a.sort((x, y) => x - y)[a.length >> 1].toFixed(2);
for (const path of paths.split(",")) {
  const rows = { task: [], script: [], layout: [], style: [], wall: [] }; let nodes = 0;
  let ctx; for (let i = 0; i < Number(n); i++) {
    ctx ??= await browser.newContext({ reducedMotion: "reduce", serviceWorkers: "block", viewport: {width:1280,height:800}, locale: "en-GB" });
    const page = await ctx.newPage();
    if (shown === "open") await page.addInitScript((names) => localStorage.setItem("zesty-ember.shown", JSON.stringify(Object.fromEntries(names.map(n=>[n,true])))), ["details", "preparation", "arrangement", "alongside", "result", "temperatures", "measure"]);
    const cdp = await ctx.newCDPSession(page); await cdp.send("Performance.enable");
    const t = Date.now();
    await page.goto(url + path); await page.waitForLoadState("networkidle");
    rows.wall.push((Date.now() - t - 500) / 1000);
    const m = Object.fromEntries((await cdp.send("Performance.getMetrics")).metrics.map((x) => [x.name, x.value]));
    rows.task.push(m.TaskDuration); rows.script.push(m.ScriptDuration); rows.layout.push(m.LayoutDuration); rows.style.push(m.RecalcStyleDuration); nodes = m.Nodes;
    console.log(m.TaskDuration.toFixed(2), m.ScriptDuration.toFixed(2)); await page.close();
  }
  console.log(path, Object.entries(rows).map(([k, v]) => `${k} ${med(v)}`).join(" "), nodes);
}
await browser.close();
