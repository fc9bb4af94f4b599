// A sentence in an address: short, without what is usual, without what is long - a layout, a method, a
// recipes - and without the consent to go below a safe minimum. The whole sentence goes along in the
// history of the browser, so that a reload and the way back have everything.
import type { Catalogue, Machine, Request } from "../api/types";
import { asNow } from "../lib/earlier";
import { ofKitchen, usualIn } from "./request";
import type { Settings } from "./settings";

declare module "@tanstack/react-router" {
  interface HistoryState {
    /** The whole sentence of a plan. */
    request?: Request;
  }
}

/** A sentence as an address carries it: the machine by its name. */
export type Said = Partial<Omit<Request, "machine">> & { cut: Request["cut"]; machine?: string };

const NEVER = new Set<keyof Request>([
  "below_floor_acknowledged",
  "known",
  "layout",
  "method",
  "recipes",
  "region",
  "altitude_m",
  "thermometer_offset_k",
]);

/** What need not be said. */
const USUAL: Partial<Record<keyof Request, unknown>> = {
  start: "fridge",
  preheat: "thin_only",
  sauce: "none",
  room_c: 21,
  handling: "plain",
  support: "basket",
  load: "with_air",
};

/** A list that is empty says nothing, but for a surface: that is wet then. */
const isUsual = (key: keyof Request, value: unknown) =>
  value == null ||
  value === USUAL[key] ||
  (Array.isArray(value) && value.length === 0 && key !== "surface");

export function compact({ machine, ...rest }: Request): Said {
  const said = Object.entries(rest).filter(([name, value]) => {
    const key = name as keyof Request;
    return !NEVER.has(key) && !isUsual(key, value);
  });
  return { ...(Object.fromEntries(said) as Omit<Said, "machine">), machine: machine.name };
}

/** The whole sentence again, in this kitchen. */
export function expand(
  { machine: name, ...said }: Said,
  catalogue: Catalogue,
  machines: Machine[],
  settings: Settings,
): Request | null {
  const machine = machines.find((known) => known.name === name) ?? machines[0];
  const entry = catalogue.cuts.find((cut) => cut.cut === said.cut);
  if (!machine || !entry) return null;
  return {
    ...usualIn(entry, machine, settings),
    ...said,
    machine,
    below_floor_acknowledged: false,
  };
}

/** The last sentence of this tab, which Plan goes on with until a new plan is asked for. */
export const LAST_PLAN = "plan";

/** Where a link to the plan of a sentence goes. */
export const planOf = (request: Request) => ({
  search: { say: compact(request) },
  state: { request },
});

/** The sentence a plan begins with where nothing is said. */
export function firstSentence(
  catalogue: Catalogue,
  machine: Machine,
  settings: Settings,
): Request | null {
  const entry = catalogue.cuts.find((cut) => cut.cut === "drumstick") ?? catalogue.cuts[0];
  return entry ? usualIn(entry, machine, settings) : null;
}

/** The sentence under this kitchen's own conditions. */
export const here = (request: Request, settings: Settings): Request => ({
  ...request,
  ...ofKitchen(settings),
});

export interface PlanSearch {
  /** The sentence; absent for a usual one. */
  say?: Said;
  /** A shared sentence. */
  shared?: string;
  /** Time of day on the table, as 19:00. */
  eat?: string;
  /** The supper it is a dish of: a saved one, or the one being put together. */
  supper?: string;
  /** Which dish of it. */
  dish?: number;
  /** The planned cook that is changed. */
  cook?: string;
}

/** Reads an address. What is no sentence is taken out (undefined, since the router lays what is
 * returned over what it read); whether a sentence can be cooked, the server says. */
export function readPlanSearch(search: Record<string, unknown>): PlanSearch {
  const { say, shared, eat, supper, dish, cook } = search;
  return {
    say: saidIn(say),
    shared: typeof shared === "string" ? shared : undefined,
    eat: typeof eat === "string" && /^\d{1,2}:\d{2}$/.test(eat) ? eat : undefined,
    supper: typeof supper === "string" ? supper : undefined,
    dish: Number.isInteger(dish) ? (dish as number) : undefined,
    cook: typeof cook === "string" ? cook : undefined,
  };
}

/** The tools of Bench. */
export const TOOLS = ["recipe", "what_if", "wrong", "practice"] as const;
export type Tool = (typeof TOOLS)[number];

export interface BenchSearch {
  /** Absent for the first. */
  tool?: Tool;
  /** The cook of the log that it begins with; absent for the last plan. */
  cook?: string;
}

export function readBenchSearch({ tool, cook }: Record<string, unknown>): BenchSearch {
  return {
    tool: TOOLS.find((one) => one === tool),
    cook: typeof cook === "string" ? cook : undefined,
  };
}

/** The sentence of an address; addresses of earlier versions held the whole machine. */
function saidIn(value: unknown): Said | undefined {
  if (typeof value !== "object" || value === null) return undefined;
  const { machine, ...rest } = asNow("", value) as Record<string, unknown>;
  const name =
    typeof machine === "object" && machine !== null && "name" in machine ? machine.name : machine;
  const said = { ...rest, ...(name === undefined ? {} : { machine: name }) };
  return isSaid(said) ? said : undefined;
}

function isSaid(value: Record<string, unknown>): value is Record<string, unknown> & Said {
  const { cut, machine, ...rest } = value;
  const numbers = ["pieces", "piece_mass_g", "core_target_c", "thickness_mm", "setting_c"];
  const lists = ["actions", "ahead", "weights_g", "split", "surface"];
  return (
    typeof cut === "string" &&
    (machine === undefined || typeof machine === "string") &&
    numbers.every((key) => rest[key] === undefined || Number.isFinite(rest[key])) &&
    lists.every((key) => rest[key] === undefined || Array.isArray(rest[key]))
  );
}
