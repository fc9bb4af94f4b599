import { expect, test } from "vitest";
import type { Estimate } from "../../api/types";
import { coreNow } from "./Answer";

/** From 4 °C at loading to 74 °C when it comes out; made when it was loaded. */
const estimate = {
  core_c: 4,
  path_min: [0, 10, 20],
  path_c: [4, 30, 74],
} as Estimate;

test("the core is shown for now, not for the last report", () => {
  const loaded = Date.parse("2026-11-25T18:00:00Z");
  const at = (minutes: number) => coreNow(estimate, loaded, loaded + minutes * 60_000);
  expect([0, 5, 10, 15].map(at)).toEqual([4, 17, 30, 52]);
  // Beyond the computed time it has the last value.
  expect(at(25)).toBe(74);
  expect(coreNow(estimate, null, loaded)).toBe(4);
});
