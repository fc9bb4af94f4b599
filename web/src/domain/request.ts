// The sentence before anything is said, and its small changes. The rules stay with the server.

import type { Catalogue, CutEntry, Division, Machine, Region, Request } from "../api/types";
import type { Settings } from "./settings";

export function usual(entry: CutEntry, machine: Machine, region: Region): Request {
  const floor = entry.floors.find((known) => known.region === region) ?? entry.floors[0];
  return {
    cut: entry.cut,
    pieces: entry.usual_pieces,
    piece_mass_g: entry.usual_mass_g[1] ?? 100,
    start: "fridge",
    surface: entry.usual_surface,
    machine,
    preheat: "thin_only",
    turn: entry.usual_turn,
    sauce: "none",
    core_target_c: floor?.usual_core_target_c ?? 75,
    region,
    below_floor_acknowledged: false,
    room_c: 21,
  };
}

/** What the kitchen says of every cook: whose guidance, how high, with what it measures. */
export const ofKitchen = (settings: Settings): Partial<Request> => ({
  region: settings.region,
  altitude_m: settings.altitude_m,
  thermometer_offset_k: settings.thermometer_offset_k,
});

/** And of every new cook, until the cook says otherwise. */
export const ofTable = (settings: Settings): Partial<Request> => ({
  thermometer: settings.thermometer,
  vulnerable: settings.vulnerable,
});

/** A usual sentence of a cut, for who is usually at the table. */
export const usualIn = (entry: CutEntry, machine: Machine, settings: Settings): Request => ({
  ...usual(entry, machine, settings.region),
  ...ofTable(settings),
});

export const entryOf = (catalogue: Catalogue, request: Request) =>
  catalogue.cuts.find((cut) => cut.cut === request.cut) ?? catalogue.cuts[0];

/** The texture a temperature has a name for. */
export const textureOf = (entry: CutEntry, celsius: number) =>
  entry.textures.find((texture) => Math.abs(texture.core_c - celsius) < entry.texture_within_k);

/** Every piece cut into sections. Cutting does not change how thick it is. */
export const inSections = (request: Request, division: Division): Partial<Request> => ({
  pieces: request.pieces * division.sections,
  piece_mass_g: division.piece_mass_g,
  thickness_mm: division.thickness_mm,
});

/** Another machine, with the words of the request that it can follow. */
export function inMachine(request: Request, machine: Machine): Partial<Request> {
  const lacks =
    (request.support === "spit" && !machine.spit) ||
    (request.support === "tumbling_basket" && !machine.tumbler_l);
  return { machine, rack: undefined, ...(lacks ? { support: "basket" } : {}) };
}
