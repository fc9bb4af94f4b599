import { expect, test } from "vitest";
import { decimal, thin, type Units } from "./units";

const metric: Units = { temperature: "celsius", weight: "metric" };
const imperial: Units = { temperature: "fahrenheit", weight: "imperial" };

test("every number of decimals can be told", () => {
  expect(([0, 1, 2, 3] as const).map((places) => decimal(1 / 3, places))).toEqual([
    "0",
    "0.3",
    "0.33",
    "0.333",
  ]);
});

// By hand: 0.25 mm over 25.4 mm an inch.
test("something thin is told in the cook's own units", () => {
  expect(thin(0.25, metric)).toBe("0.25 mm");
  expect(thin(0.25, imperial)).toBe("0.01 in");
});
