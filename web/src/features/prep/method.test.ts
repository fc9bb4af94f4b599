import { expect, test } from "vitest";
import type { Method } from "../../api/types";
import { methodAhead, sameAhead } from "./method";

const night = {
  id: "night",
  tasks: [
    { name: "Blot it", ahead: { kind: "blot", ahead_s: 0 }, best_s: 180 },
    { name: "Salt it", ahead: null, best_s: 180 },
    { name: "Let it dry", ahead: { kind: "uncovered", ahead_s: 43_200 }, best_s: 43_200 },
  ],
} as unknown as Method;

test("a school does to the meat what its tasks do, for as long as the cook says", () => {
  const usual = [
    { kind: "blot" as const, ahead_s: 0 },
    { kind: "uncovered" as const, ahead_s: 43_200 },
  ];
  expect(methodAhead(night, {})).toEqual(usual);
  expect(sameAhead(methodAhead(night, {}), usual)).toBe(true);
  const longer = methodAhead(night, { "night Let it dry": 72_000 });
  expect(longer[1]?.ahead_s).toBe(72_000);
  expect(sameAhead(longer, usual)).toBe(false);
  expect(sameAhead([], usual)).toBe(false);
});
