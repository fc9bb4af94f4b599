import { describe, expect, it } from "vitest";
import { isMachine, isRequest, isSupper } from "./schemas";

const machine = {
  name: "the drum",
  kind: "drawer",
  floor_shape: "round",
  floor_width_mm: 220,
  floor_depth_mm: 220,
  height_mm: 110,
  power_w: 1500,
  lowest_c: 60,
  highest_c: 204,
  step_k: 5,
};
const request = {
  cut: "drumstick",
  pieces: 8,
  piece_mass_g: 115,
  start: "fridge",
  surface: ["patted_dry", "oil", "rub"],
  machine,
  preheat: "thin_only",
  turn: "equal_browning",
  sauce: "none",
  core_target_c: 77,
  region: "us",
};
const supper = {
  name: "Supper",
  eaters: 4,
  hands: 1,
  rings: 4,
  shelves: 3,
  serve_at: "2026-11-26T19:00:00.000Z",
  dishes: [{ id: "1", cook: { request } }],
};

describe("data from outside", () => {
  it("is taken as it is", () => {
    expect(isMachine(machine)).toBe(true);
    expect(isRequest({ ...request, actions: [{ kind: "turn", at_s: 600 }] })).toBe(true);
    expect(isSupper(supper)).toBe(true);
  });

  it("and refused where it would break a page", () => {
    expect(isMachine({ ...machine, height_mm: "110" })).toBe(false);
    expect(isMachine({ ...machine, racks_mm: [null] })).toBe(false);
    expect(isRequest({ ...request, machine: undefined })).toBe(false);
    expect(isRequest({ ...request, pieces: Number.NaN })).toBe(false);
    expect(isSupper({ ...supper, dishes: [{ id: "1" }] })).toBe(false);
    expect(isSupper({ ...supper, dishes: [{ cook: { request: {} } }] })).toBe(false);
    expect(isSupper({ ...supper, serve_at: "soon" })).toBe(false);
    expect(isSupper(null)).toBe(false);
  });
});
