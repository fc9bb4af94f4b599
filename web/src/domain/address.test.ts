import { describe, expect, it } from "vitest";
import type { Catalogue, Machine, Request } from "../api/types";
import { compact, expand, readPlanSearch } from "./address";
import type { Settings } from "./settings";

const machine = { name: "the drum" } as Machine;
const catalogue = {
  cuts: [
    {
      cut: "drumstick",
      usual_pieces: 8,
      usual_mass_g: [90, 115, 150],
      usual_surface: ["patted_dry", "oil", "rub"],
      usual_turn: "equal_browning",
      floors: [{ region: "us", usual_core_target_c: 77 }],
    },
  ],
} as unknown as Catalogue;
const settings = { region: "us", thermometer: true, vulnerable: false } as Settings;
const request = {
  cut: "drumstick",
  pieces: 6,
  piece_mass_g: 130,
  start: "fridge",
  surface: ["patted_dry", "oil"],
  machine,
  preheat: "thin_only",
  turn: "never",
  sauce: "none",
  core_target_c: 63,
  region: "us",
  below_floor_acknowledged: true,
  room_c: 21,
  thermometer: true,
  vulnerable: false,
  actions: [{ kind: "turn", at_s: 600 }],
  layout: [{ batch: 1, level: 1, x_mm: 0, y_mm: 0, turned_rad: 0 }],
} as unknown as Request;

describe("a sentence in an address", () => {
  it("is short, without layout and without consent", () => {
    const said = compact(request);
    expect(said.machine).toBe("the drum");
    expect(Object.keys(said)).not.toContain("layout");
    expect(Object.keys(said)).not.toContain("below_floor_acknowledged");
    expect(encodeURIComponent(JSON.stringify(said)).length).toBeLessThan(450);
  });

  it("and whole again in a kitchen", () => {
    const again = expand(compact(request), catalogue, [machine], settings);
    expect(again).toMatchObject({
      pieces: 6,
      surface: ["patted_dry", "oil"],
      start: "fridge",
      turn: "never",
      actions: [{ kind: "turn", at_s: 600 }],
      below_floor_acknowledged: false,
    });
    expect(expand({ cut: "drumstick" }, catalogue, [machine], settings)?.pieces).toBe(8);
    expect(expand({ cut: "unicorn" as Request["cut"] }, catalogue, [machine], settings)).toBeNull();
  });

  it("is dropped where it is none", () => {
    expect(readPlanSearch({ say: "drumsticks", eat: "7", dish: "1" })).toEqual({});
    expect(readPlanSearch({ say: { cut: "drumstick", pieces: "8" } }).say).toBeUndefined();
    // Addresses of earlier versions.
    expect(readPlanSearch({ say: { cut: "drumstick", coat: "wet" } }).say).toEqual({
      cut: "drumstick",
      surface: [],
    });
    expect(readPlanSearch({ say: { cut: "drumstick", machine } }).say?.machine).toBe("the drum");
    expect(readPlanSearch({ say: { cut: "drumstick", machine: 7 } }).say).toBeUndefined();
    expect(readPlanSearch({ say: { cut: "drumstick" }, eat: "19:00" })).toMatchObject({
      say: { cut: "drumstick" },
      eat: "19:00",
    });
  });
});
