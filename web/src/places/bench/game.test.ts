import { expect, test } from "vitest";
import { costs, type Game, inside, onTheClock, told, without } from "./game";

const game: Game = {
  exercise: "carry_over",
  seed: 1,
  moves: [
    { at_s: 0, what: { kind: "load", preheated: false, with_space: true } },
    { at_s: 30, what: { kind: "serve" } },
  ],
  now: 60,
};

test("a refused move is removed again, and no other", () => {
  const kept = without(game, [{ kind: "done" }, { kind: "not" }]);
  expect(kept.moves.map(({ what }) => what.kind)).toEqual(["load"]);
  expect(without(game, [{ kind: "done" }, { kind: "done" }])).toBe(game);
});

test("lots that are in are those without a time out", () => {
  const lot = { name: "the chops", loaded_at_s: 0 };
  const lots = [
    { ...lot, out_at_s: 900 },
    { ...lot, out_at_s: null },
  ];
  expect(inside({ seen: [], lots, of: 2, served_at_s: null })).toEqual([1]);
  expect(inside(undefined)).toEqual([]);
});

test("a move has its finding in words", () => {
  const units = { temperature: "fahrenheit", weight: "metric" } as const;
  const read = { at_s: 0, what: { kind: "read", lot: 1, place: "thickest" } } as const;
  const names = ["the thin chops", "the thick chops"];
  expect(told(read, { kind: "reading", core_c: 60 }, names, units).replaceAll("\u00a0", " ")).toBe(
    "read the thick chops, in the middle of the thickest part: 140 °F",
  );
  expect(onTheClock(754)).toBe("12:34");
});

test("a cost says only what matters", () => {
  const same: [string, string] = ["golden", "golden"];
  const nothing = { later_s: 10, hotter_k: 0.4, drier: 0.001, colours: same };
  expect(costs(nothing, String)).toBe("");
  const dear = { later_s: -90, hotter_k: 4, drier: 0.02, colours: ["brown", "golden"] };
  expect(costs(dear, (kelvins) => `${kelvins} °C`).replaceAll("\u00a0", " ")).toBe(
    "1½ min sooner on the table, 4 °C hotter inside, 2 % of the weight lost to the air, brown instead of golden",
  );
});
