import { describe, expect, it } from "vitest";
import { EMBER_TABLE, ember } from "../domain/ember";
import { isolines, temperatureAt } from "../domain/field";
import { refusal, render } from "../domain/message";
import { clock, clockFormat, countdown, day, nextAt, timeOfDay } from "./clock";
import * as units from "./units";

const metric: units.Units = { temperature: "celsius", weight: "metric" };
const imperial: units.Units = { temperature: "fahrenheit", weight: "imperial" };

describe("units", () => {
  // Source: NIST SP 811 (from memory), the same values as the core's own tests.
  it("shows what a cook reads in either system", () => {
    expect(units.temperature(73.9, metric)).toBe("74 °C");
    expect(units.temperature(73.9, imperial)).toBe("165 °F");
    expect(units.setting(204.4, imperial)).toBe("400 °F");
    expect(units.setting(204, metric)).toBe("204 °C");
    expect(units.difference(5, imperial)).toBe("9 °F");
    expect(units.mass(1588, metric)).toBe("1.59 kg");
    expect(units.mass(566.99, imperial)).toBe("1 lb 4 oz");
    expect(units.mass(115, imperial)).toBe("4 oz");
    expect(units.length(44.45, imperial)).toBe("1 3/4 in");
    expect(units.length(44, metric)).toBe("44 mm");
    expect(units.length(0, imperial)).toBe("0 in");
    expect(units.length(1, imperial)).toBe("1/16 in");
    expect(units.length(3, imperial)).toBe("1/8 in");
    // By hand: 0.25 mm over 25.4 mm an inch.
    expect(units.thin(0.25, metric)).toBe("0.25 mm");
    expect(units.thin(0.25, imperial)).toBe("0.01 in");
    expect(([0, 1, 2, 3] as const).map((places) => units.decimal(1 / 3, places))).toEqual([
      "0",
      "0.3",
      "0.33",
      "0.333",
    ]);
    expect(units.minutes(390)).toBe("6½ min");
    expect(units.minutes(4800)).toBe("1 h 20 min");
  });

  it("tells what a scale in ounces does not show in grams", () => {
    expect(units.mass(2.5, imperial)).toBe("2.5 g");
    expect(units.mass(12, imperial)).toBe("12 g");
    expect(units.mass(28.35, imperial)).toBe("1 oz");
  });

  it("tells two lengths in one unit", () => {
    expect(units.lengths(264, 188, metric)).toBe("264 by 188 mm");
    expect(units.lengths(264, 188, imperial)).toBe("10.4 by 7.4 in");
  });

  it("tells long times", () => {
    expect(units.hours(43_800)).toBe("12 h");
    expect(units.hours(5400)).toBe("1 h 30 min");
    expect(units.smallMass(2.25, metric)).toBe("2.3 g");
  });

  it("goes to the cook's scale and back", () => {
    for (const celsius of [-5, 0, 63, 204]) {
      expect(units.fromScale(units.toScale(celsius, imperial), imperial)).toBeCloseTo(celsius, 9);
    }
  });
});

describe("messages", () => {
  it("puts quantities where they stand", () => {
    const message = {
      text: "at {}; the rest takes it to {}",
      values: [
        { kind: "temperature_c" as const, value: 58 },
        { kind: "temperature_c" as const, value: 63 },
      ],
    };
    expect(render(message, metric)).toBe("at 58 °C; the rest takes it to 63 °C");
    expect(render(message, imperial)).toBe("at 136 °F; the rest takes it to 145 °F");
  });

  it("tells a refusal in the cook's units", () => {
    const length = (value: number) => ({ kind: "length_mm" as const, value });
    const problem = {
      code: "out_of_bounds",
      message: {
        text: "thickness is {}; it can be {} to {}",
        values: [length(300), length(5), length(160)],
      },
    };
    expect(refusal(problem, metric)).toBe("Thickness is 300 mm; it can be 5 mm to 160 mm.");
    expect(refusal(problem, imperial)).toContain("11.8 in");
    const changed = { code: "changed", message: { text: "this was changed", values: [] } };
    expect(refusal(changed, metric)).toContain("Save again");
  });
});

describe("clock", () => {
  const now = new Date(2026, 10, 25, 18, 30);

  it("finds the next time of day", () => {
    expect(nextAt("19:00", now)?.getTime()).toBe(new Date(2026, 10, 25, 19, 0).getTime());
    expect(nextAt("1815", now)?.getDate()).toBe(26);
    for (const text of ["7 pm", "7PM", "7:00 p.m.", "19.00", "19h00", "19"]) {
      expect([text, nextAt(text, now)?.getTime()]).toEqual([text, nextAt("19:00", now)?.getTime()]);
    }
    expect(nextAt("12 am", now)?.getHours()).toBe(0);
    expect(nextAt("12:30 pm", now)?.getHours()).toBe(12);
    for (const text of ["", "25:00", "7", "19:60", "13 pm", "0 am", "soon"])
      expect(nextAt(text, now)).toBeNull();
  });

  it("counts down through nought", () => {
    expect(countdown(232)).toBe("3:52");
    expect(countdown(3832)).toBe("1:03:52");
    expect(countdown(-5)).toBe("−0:05");
    expect(timeOfDay(now)).toBe("18:30");
    expect(clock(now, clockFormat("en-GB"))).toBe("18:30");
    expect(clock(now, clockFormat("de"))).toBe("18:30");
    expect(clock(now, clockFormat("en-US"))).toBe("6:30\u00a0PM");
    // Both digits after midnight too, where a clock has 24 hours.
    const night = new Date(2026, 10, 26, 0, 42);
    expect(clock(night, clockFormat("en-GB"))).toBe("00:42");
    expect(clock(night, clockFormat("en-US"))).toBe("12:42\u00a0AM");
    expect(day(new Date(2026, 10, 24, 23, 0), now)).toBe("yesterday");
  });
});

describe("ember colours", () => {
  it("only get darker with heat, so that they read in grey", () => {
    const light = (celsius: number) => {
      const [r, g, b] = ember(celsius);
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    for (let t = 1; t <= 190; t++) expect(light(t)).toBeLessThanOrEqual(light(t - 1) + 0.5);
    expect(Array.from(EMBER_TABLE.slice(60 * 3, 61 * 3))).toEqual([243, 214, 148]);
  });
});

describe("field", () => {
  // Two columns of three depths.
  const field = { depths: 3, minutes: [0, 10], field_c: [20, 20, 20, 100, 40, 80] };

  it("reads between values", () => {
    expect(temperatureAt(field, 10, 0)).toBe(100);
    expect(temperatureAt(field, 5, 0.5)).toBe(30);
    expect(temperatureAt(field, 10, 0.25)).toBe(70);
    expect(temperatureAt(field, 99, 1)).toBe(80);
  });

  it("draws a front from each face that is hot enough", () => {
    const wide = { depths: 3, minutes: [0, 1, 2], field_c: [0, 0, 0, 80, 0, 0, 80, 40, 0] };
    const lines = isolines(wide, 60);
    expect(lines).toHaveLength(1);
    expect(lines[0]?.map((point) => point.depth)).toEqual([0.125, 0.25]);
  });
});
