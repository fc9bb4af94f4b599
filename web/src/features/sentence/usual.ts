// The sentence before anything is said, and its small changes. The rules stay with the server.
import type { Catalogue, CutEntry, Machine, Region, Request } from "../../api/types";

export function usual(entry: CutEntry, machine: Machine, region: Region): Request {
  const floor = entry.floors.find((known) => known.region === region) ?? entry.floors[0];
  return {
    cut: entry.cut,
    pieces: entry.usual_pieces,
    piece_mass_g: entry.usual_mass_g[1] ?? 100,
    start: "fridge",
    coat: entry.usual_coat,
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

export const entryOf = (catalogue: Catalogue, request: Request) =>
  catalogue.cuts.find((cut) => cut.cut === request.cut) ?? catalogue.cuts[0];

/** The texture a temperature has a name for. */
export const textureOf = (entry: CutEntry, celsius: number) =>
  entry.textures.find((texture) => Math.abs(texture.core_c - celsius) < 0.5);
