import { expect, test } from "vitest";
import { rings } from "./ring";

const MINUTE = 60_000;
const turn = { key: "turn", at: 20 * MINUTE, sound: "due" as const, once: false };
const rested = { key: "rested", at: 20 * MINUTE, sound: "over" as const, once: true };

test("a soft sound comes before, and a step for hands rings until it is answered", () => {
  const all = rings([turn], 0, 60 * MINUTE, 5 * MINUTE);
  expect(all[0]).toEqual({ at: 15 * MINUTE, sound: "soon" });
  expect(all[1]).toEqual({ at: 20 * MINUTE, sound: "due" });
  expect(all[2]).toEqual({ at: 20.25 * MINUTE, sound: "due" });
  // And not all night.
  expect(all.at(-1)?.at).toBe(30 * MINUTE);
});

test("the end of a rest rings once, and not from its first second", () => {
  expect(rings([rested], 0, 60 * MINUTE, 5 * MINUTE)).toEqual([{ at: 20 * MINUTE, sound: "over" }]);
});

test("a past alarm does not ring again, and a distant one not yet", () => {
  expect(rings([turn], 20 * MINUTE + 1, 14_000, 5 * MINUTE)).toEqual([]);
  expect(rings([turn], 20 * MINUTE + 1, 15_000, 5 * MINUTE)).toHaveLength(1);
  expect(rings([turn], 0, 10 * MINUTE, 0)).toEqual([]);
});
