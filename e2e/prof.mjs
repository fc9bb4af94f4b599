import { chromium } from "@playwright/test";
import fs from "node:fs";
const url = process.argv[2], path = process.argv[3] ?? "/plan";
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium-headless-shell", args: ["--no-sandbox","--disable-gpu"] });
for (let i = 0; i < 2; i++) {
  const ctx = await browser.newContext({ reducedMotion: "reduce", serviceWorkers: "block", viewport: {width:1280,height:800}, locale: "en-GB" });
  const page = await ctx.newPage();
  if (process.argv[4] !== "folded") await page.addInitScript((names) => localStorage.setItem("zesty-ember.shown", JSON.stringify(Object.fromEntries(names.map(n=>[n,true])))), ["details", "preparation", "arrangement", "alongside", "result", "temperatures", "measure"]);
  const cdp = await ctx.newCDPSession(page);
  await cdp.send("Profiler.enable"); await cdp.send("Profiler.setSamplingInterval", { interval: 200 });
  await cdp.send("Performance.enable");
  await cdp.send("Profiler.start");
  const t = Date.now();
  await page.goto(url + path); await page.waitForLoadState("networkidle");
  console.log("wall", Date.now() - t - 500);
  const { profile } = await cdp.send("Profiler.stop");
  const m = Object.fromEntries((await cdp.send("Performance.getMetrics")).metrics.map((x) => [x.name, x.value]));
  console.log("task", m.TaskDuration, "script", m.ScriptDuration, "layout", m.LayoutDuration, "style", m.RecalcStyleDuration, "nodes", m.Nodes, "layouts", m.LayoutCount, m.RecalcStyleCount);
  fs.writeFileSync(`/var/tmp/prof/p${i}.cpuprofile`, JSON.stringify(profile));
  const self = {}, total = new Map(); const byId = new Map(profile.nodes.map(n => [n.id, n]));
  profile.samples.forEach((id, k) => { const n = byId.get(id); const f = n.callFrame; const key = `${f.functionName||"(anon)"} ${f.url.split("/").pop()}:${f.lineNumber}:${f.columnNumber}`; self[key] = (self[key] ?? 0) + profile.timeDeltas[k]; });
  const byUrl = {}; for (const [k, v] of Object.entries(self)) { const u = k.split(" ").pop().split(":")[0] || k.split(" ")[0]; byUrl[u] = (byUrl[u] ?? 0) + v; }
  console.log(Object.entries(byUrl).sort((a,b)=>b[1]-a[1]).slice(0,14).map(([k,v])=>`${k} ${(v/1000).toFixed(0)}`).join("\n"));
  console.log("---"); console.log(Object.entries(self).sort((a,b)=>b[1]-a[1]).slice(0,25).map(([k,v])=>`${(v/1000).toFixed(1)} ${k}`).join("\n"));
  await ctx.close();
}
await browser.close();
