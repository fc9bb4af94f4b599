#!/usr/bin/env node
// Plans a second over HTTP: clients that ask a running server for previews of the whole catalogue, one after
// the other each. scripts/throughput.mjs [address] [clients] [seconds]
const [address = "http://127.0.0.1:8080", clients = "32", seconds = "20"] = process.argv.slice(2);
const api = `${address}/api`;
const catalogue = await (await fetch(`${api}/catalogue`)).json();
const [, family] = catalogue.machine_presets;
const requests = catalogue.cuts.map((cut) => ({
  cut: cut.cut,
  pieces: cut.usual_pieces,
  piece_mass_g: cut.usual_mass_g[1],
  start: "fridge",
  surface: cut.usual_surface,
  machine: family.machine,
  preheat: "thin_only",
  turn: cut.usual_turn,
  sauce: "none",
  core_target_c: cut.floors[0].usual_core_target_c,
  region: "us",
}));
const took = [];
const refused = new Map();
const end = performance.now() + 1000 * Number(seconds);
async function client(number) {
  for (let n = number; performance.now() < end; n++) {
    const begun = performance.now();
    const response = await fetch(`${api}/plans/preview`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(requests[n % requests.length]),
    });
    await response.arrayBuffer();
    if (response.ok) took.push(performance.now() - begun);
    else refused.set(response.status, (refused.get(response.status) ?? 0) + 1);
  }
}
await Promise.all(Array.from({ length: Number(clients) }, (_, number) => client(number)));
took.sort((a, b) => a - b);
const at = (share) => took[Math.floor(share * (took.length - 1))]?.toFixed(0);
const other = [...refused].map(([status, count]) => `, ${count} times ${status}`).join("");
console.log(
  `${(took.length / Number(seconds)).toFixed(0)} plans/s of ${requests.length} cuts; half within ${at(0.5)} ms, nine tenths within ${at(0.9)} ms${other}`,
);
