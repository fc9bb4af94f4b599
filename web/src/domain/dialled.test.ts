import { expect, test } from "vitest";
import type { Plan } from "../api/types";
import { dialled } from "./dialled";

const plan = {
  pull_at_s: 1430,
  steps: [
    { kind: "preheat", batch: 1, at_s: -180 },
    { kind: "load", batch: 1, at_s: 0 },
    { kind: "turn", batch: 1, at_s: 890 },
    { kind: "check", batch: 1, at_s: 1090 },
    { kind: "pull", batch: 1, at_s: 1430 },
    { kind: "load", batch: 2, at_s: 1490 },
    { kind: "pull", batch: 2, at_s: 1490 + 1320 },
  ],
} as unknown as Plan;

test("a batch as it is dialled, in whole minutes from its own loading", () => {
  const units = { temperature: "fahrenheit", weight: "imperial" } as const;
  expect(dialled(plan, 1, 196.1, {}, units)).toEqual({
    main: "385 °F for 24 min",
    after: "turn after 15, check at 18 min",
    timer: 1430,
  });
  expect(dialled(plan, 2, 196.1, {}, units).main).toBe("385 °F for 22 min");
  expect(dialled(plan, 2, 196.1, {}, units).after).toBe("");
});

test("a dial with words shows its own", () => {
  const units = { temperature: "celsius", weight: "metric" } as const;
  const machine = { dial_words: [{ word: "roast", setting_c: 180 }] };
  expect(dialled(plan, 1, 180, machine, units).main).toBe("“roast” (180 °C) for 24 min");
  expect(dialled(plan, 1, 190, machine, units).main).toBe("190 °C for 24 min");
});
