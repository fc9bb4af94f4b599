// A small kitchen for tests of parts: the least of a catalogue, a sentence and a plan that parts read.
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import type { Catalogue, CutEntry, Machine, Plan, Request } from "../api/types";
import { system } from "../app/theme";

export const machine = {
  name: "the drum",
  kind: "drawer",
  power_w: 1500,
  lowest_c: 60,
  highest_c: 204,
} as Machine;

const method = (of: string, words: string) => ({ method: of, words, reason: `why ${words}` });

export const entry = {
  cut: "drumstick",
  name: "drumstick",
  plural: "drumsticks",
  other_names: ["chicken leg"],
  group: "pieces",
  silhouette: "teardrop",
  animal: "chicken",
  usual_pieces: 8,
  usual_mass_g: [90, 115, 150],
  usual_surface: ["patted_dry", "oil", "rub"],
  usual_turn: "equal_browning",
  usual_first_up: "show",
  usual_outside: ["golden"],
  faces: null,
  textures: [{ name: "juicy", core_c: 77 }],
  surfaces: [
    { surface: ["patted_dry", "oil", "rub"], words: "rubbed, skin dry" },
    { surface: ["patted_dry", "oil"], words: "oiled" },
  ],
  handlings: [],
  floors: [],
} as unknown as CutEntry;

const ribs = {
  ...entry,
  cut: "back_ribs",
  name: "back rib section",
  plural: "back rib sections",
  other_names: ["baby back", "rack"],
  group: "ribs",
} as CutEntry;

export const catalogue = {
  most_layers: 8,
  layers: [
    { layer: "patted_dry", words: "patted dry", goes_over: [] },
    { layer: "oil", words: "oil", goes_over: ["patted_dry", "rub", "starch"] },
    { layer: "rub", words: "rub", goes_over: ["patted_dry", "oil", "starch"] },
    { layer: "starch", words: "starch", goes_over: ["patted_dry", "oil", "rub"] },
  ],
  cuts: [entry, ribs],
  groups: [
    { group: "pieces", words: "Pieces" },
    { group: "ribs", words: "Ribs" },
  ],
  not_yet: [{ names: ["gammon"], reason: "Cured meat is not planned yet.", nearest: null }],
  preheat: [method("thin_only", "preheated if thin"), method("always", "preheated")],
  turn: [method("equal_browning", "turned for even colour"), method("never", "not turned")],
  sauce: [method("none", "no sauce"), method("last_minutes", "sauced in the last minutes")],
  load: [method("with_air", "with space between"), method("all_at_once", "all at once")],
  support: [{ support: "basket", words: "in the basket", reason: "" }],
  outside: [{ outside: "golden", words: "golden", reason: "" }],
  regions: [],
  machine_presets: [],
  sides: [],
} as unknown as Catalogue;

export const request = {
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
  below_floor_acknowledged: false,
  room_c: 21,
} as Request;

export const plan = {
  setting_c: 200,
  thickness_mm: 44,
  pull_at_s: 1440,
  rest_s: 300,
  check_from_s: 1080,
  turn_at_s: 960,
  peak_core_c: 84,
  core_target_c: 77,
  assumptions: [],
  batches: [{ pieces: 8, actions: [{ kind: "turn", at_s: 960 }] }],
  steps: [
    { kind: "load", batch: 1, at_s: 0 },
    { kind: "turn", batch: 1, at_s: 960 },
    { kind: "pull", batch: 1, at_s: 1440 },
  ],
  outcomes: { faces: [{ browning: "golden" }, { browning: "golden" }] },
  picture: {
    depths: 2,
    minutes: [0, 24, 29],
    field_c: [4, 4, 90, 90, 84, 84],
    core_c: [4, 77, 84],
    thickness_mm: 44,
  },
} as unknown as Plan;

export const metric = { temperature: "celsius", weight: "metric" } as const;

/** Draws a part with the looks and the queries of the application. */
export function draw(part: ReactNode) {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const around = (inside: ReactNode) => (
    <ChakraProvider value={system}>
      <QueryClientProvider client={queries}>{inside}</QueryClientProvider>
    </ChakraProvider>
  );
  const drawn = render(around(part));
  return { ...drawn, redraw: (next: ReactNode) => drawn.rerender(around(next)) };
}
