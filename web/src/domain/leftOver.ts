// Leftovers: heated through once, as a plan of their own.
import type { CutEntry, Request } from "../api/types";

type Handling = NonNullable<Request["handling"]>;

/** Meat that was cooked has lost about a quarter of its weight (common practice). */
const COOKED = 0.75;
/** Hot enough to crisp, mild enough not to dry it out, °C (common practice). */
const SETTING = 180;

/** Bare, in one go, to the temperature of reheating. */
function heatedThrough(request: Request, entry: CutEntry): Partial<Request> {
  const known = entry.handlings.find(({ handling }) => handling === "left_over");
  const floor = known?.floors.find(({ region }) => region === request.region)?.floor;
  return {
    handling: "left_over",
    start: "fridge",
    start_c: undefined,
    tempered_s: undefined,
    ahead: undefined,
    method: undefined,
    recipes: [],
    surface: [],
    sauce: "none",
    actions: [],
    programme: undefined,
    finish: undefined,
    setting_c: Math.min(SETTING, request.machine.highest_c),
    core_target_c: floor?.core_c ?? request.core_target_c,
    out_at_c: undefined,
    outside: undefined,
    below_floor_acknowledged: false,
  };
}

/** The sentence with something else that was done to the cut. */
export function handledAs(request: Request, entry: CutEntry, handling: Handling): Partial<Request> {
  if (handling === "left_over") return heatedThrough(request, entry);
  const was = request.handling === "left_over";
  const floor = entry.floors.find(({ region }) => region === request.region);
  return {
    handling,
    below_floor_acknowledged: false,
    ...(was
      ? {
          surface: entry.usual_surface,
          setting_c: undefined,
          core_target_c: floor?.usual_core_target_c ?? request.core_target_c,
        }
      : {}),
  };
}

/** A plan for half of the cooked pieces, from the fridge. */
export function leftOf(request: Request, entry: CutEntry): Request {
  const several = request.pieces > 1;
  return {
    ...request,
    ...heatedThrough(request, entry),
    pieces: several ? Math.ceil(request.pieces / 2) : 1,
    piece_mass_g: Math.round(request.piece_mass_g * COOKED * (several ? 1 : 0.5)),
    thickness_mm: undefined,
    weights_g: undefined,
    layout: undefined,
    split: undefined,
  };
}
