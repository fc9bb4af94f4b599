import { expect, test } from "vitest";
import { roundTemperatures } from "./ticks";
import { degrees } from "./units";

test("ticks are round in the scale that is shown", () => {
  const celsius = { temperature: "celsius", weight: "metric" } as const;
  const fahrenheit = { temperature: "fahrenheit", weight: "metric" } as const;
  const shown = (units: typeof celsius | typeof fahrenheit) =>
    roundTemperatures(0, 210, 4, units).map((c) => degrees(c, units));
  expect(shown(celsius)).toEqual(["0°", "50°", "100°", "150°", "200°"]);
  expect(shown(fahrenheit)).toEqual(["100°", "200°", "300°", "400°"]);
});
