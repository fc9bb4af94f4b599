// The shapes of what comes from outside the application: drafts of an earlier version, files, addresses.
// Whether it can be cooked, the server says; here it only must not break a page.
import * as v from "valibot";
import type { Machine, MachinesDocument, OwnMethod, Request, Side, Supper } from "../api/types";

const list = (item: v.GenericSchema) => v.optional(v.nullable(v.array(item)));
const maybe = (item: v.GenericSchema) => v.optional(v.nullable(item));
const number = v.pipe(v.number(), v.finite());

const machine = v.looseObject({
  name: v.string(),
  kind: v.string(),
  floor_shape: v.string(),
  floor_width_mm: number,
  floor_depth_mm: number,
  height_mm: number,
  power_w: number,
  lowest_c: number,
  highest_c: number,
  step_k: number,
  racks_mm: list(number),
  spit: maybe(
    v.looseObject({ spit_length_mm: number, spit_diameter_mm: number, spit_heaviest_g: number }),
  ),
});

const method = v.looseObject({
  cut: v.string(),
  name: v.string(),
  surface: v.array(v.string()),
  seasonings: v.array(v.looseObject({ kind: v.string() })),
  tasks: v.array(
    v.looseObject({
      name: v.string(),
      place: v.string(),
      shortest_s: number,
      best_s: number,
      longest_s: number,
      hands_on_s: number,
    }),
  ),
});

const request = v.looseObject({
  cut: v.string(),
  pieces: number,
  piece_mass_g: number,
  start: v.string(),
  surface: v.array(v.string()),
  machine,
  preheat: v.string(),
  turn: v.string(),
  sauce: v.string(),
  core_target_c: number,
  region: v.string(),
  thickness_mm: maybe(number),
  setting_c: maybe(number),
  start_c: maybe(number),
  actions: list(v.looseObject({ kind: v.string() })),
  ahead: list(v.looseObject({ kind: v.string() })),
  layout: list(v.looseObject({ x_mm: number, y_mm: number })),
  weights_g: list(number),
  split: list(number),
  method: maybe(method),
  finish: maybe(v.looseObject({ kind: v.string(), finish_s: number })),
  programme: maybe(v.looseObject({ kind: v.string(), stage_setting_c: number, stage_s: number })),
});

const side = v.looseObject({
  name: v.string(),
  steps: v.array(
    v.looseObject({
      what: v.string(),
      site: v.string(),
      work_s: number,
      shortest_s: number,
      best_s: number,
      longest_s: number,
    }),
  ),
  patience: v.string(),
  keeps_s: number,
});

const supper = v.looseObject({
  name: v.string(),
  eaters: number,
  hands: number,
  rings: number,
  shelves: number,
  serve_at: maybe(v.pipe(v.string(), v.isoTimestamp())),
  leave_by: maybe(v.pipe(v.string(), v.isoTimestamp())),
  begun: list(v.looseObject({ dish: v.string() })),
  quiet: maybe(v.looseObject({})),
  dishes: v.array(
    v.looseObject({
      id: maybe(v.string()),
      cook: maybe(v.looseObject({ request })),
      side: maybe(side),
    }),
  ),
});

const machines = v.looseObject({
  document: v.literal("machines"),
  version: number,
  machines: v.array(v.looseObject({ name: v.string() })),
});

export const isMachines = (value: unknown): value is MachinesDocument => v.is(machines, value);
export const isMachine = (value: unknown): value is Machine => v.is(machine, value);
export const isMethod = (value: unknown): value is OwnMethod => v.is(method, value);
export const isRequest = (value: unknown): value is Request => v.is(request, value);
export const isSide = (value: unknown): value is Side => v.is(side, value);
export const isSupper = (value: unknown): value is Supper =>
  v.is(supper, value) && value.dishes.every((dish) => dish.cook != null || dish.side != null);
