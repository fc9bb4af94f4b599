import { expect, test } from "vitest";
import { fieldWords, valueWords } from "./fields";

const metric = { temperature: "celsius", weight: "metric" } as const;

test("a place in a document has words", () => {
  expect(fieldWords(["power_w"])).toBe("power");
  expect(fieldWords(["dishes", "chops", "piece_mass_g"])).toBe("dishes: chops: weight of one");
  expect(fieldWords(["thickness_mm"])).toBe("thickness");
});

test("a value is written in the cook's units", () => {
  expect(valueWords(["highest_c"], 200, metric)).toMatch(/^200.°C$/);
  expect(valueWords(["highest_c"], 200, { temperature: "fahrenheit", weight: "imperial" })).toMatch(
    /^39\d.°F$/,
  );
  expect(valueWords(["racks_mm"], [40, 80], metric)).toMatch(/^40.mm, 80.mm$/);
  expect(valueWords(["parts"], [{ what: "salt", mass_g: 10 }, { what: "fennel" }], metric)).toBe(
    "salt, fennel",
  );
  expect(valueWords(["name"], undefined, metric)).toBe("nothing");
  expect(valueWords(["surface"], ["patted_dry", "oil"], metric)).toBe("patted dry, oil");
});
