// The reports of a cook, and those in force: an undo takes a report back, and can be taken back itself.
import type { Cook, Happening, Step } from "../../api/types";
import { firstSetting } from "../../domain/dialled";
import type { Kept } from "../../lib/outbox";

export interface Told {
  id: string;
  /** ms since the epoch, by this device's clock. */
  at: number;
  happening: Happening;
}

/** Everything told, the server's first and then what waits to be sent. */
export function told(cook: Cook, waiting: Kept<Happening>[], skew: number): Told[] {
  const known = new Set(cook.events.map((event) => event.id));
  return [
    ...cook.events.map(({ id, at, happening }) => ({ id, at: Date.parse(at) - skew, happening })),
    ...waiting.filter((one) => !known.has(one.id)),
  ];
}

/** The reports in force. */
export function stands(all: Told[]): Told[] {
  const takenBack = new Set<string>();
  const left = all.toReversed().filter(({ id, happening }) => {
    if (takenBack.has(id)) return false;
    if (happening.kind !== "undone") return true;
    takenBack.add(happening.event);
    return false;
  });
  return left.toReversed();
}

/** The last that can be taken back. */
export const lastTold = (all: Told[]): Told | undefined => stands(all).at(-1);

const DONE: Record<Step["kind"], string> = {
  preheat: "preheating",
  load: "loaded",
  turn: "turned",
  sauce: "sauced",
  set: "dial set",
  act: "done",
  check: "checked",
  pull: "taken out",
  rest: "rested",
  measure: "measured",
  finish: "finished",
  serve: "served",
};

const ACTIONS: Record<string, string> = {
  set: "dial set",
  turn: "turned",
  move: "moved",
  swap_racks: "racks swapped",
  rotate: "basket turned round",
  open: "open for a while",
  add_side: "side added",
  stir_side: "side stirred",
  take_side: "side taken out",
  sauce: "sauced",
  spray: "sprayed",
  baste: "basted",
  take_out: "taken out",
  put_back: "put back",
  spit_stops: "the spit stopped",
  spit_turns: "the spit turns again",
};

/** In a word or two, for taking it back. */
export function inWords(
  happening: Happening,
  steps: Step[],
  degrees: (c: number) => string,
): string {
  switch (happening.kind) {
    case "started":
      return "started";
    case "prepared":
      return happening.done ? "prepared" : "preparation begun";
    case "step_done": {
      const step = steps[happening.step];
      return step?.kind === "act" ? step.title : DONE[step?.kind ?? "act"];
    }
    case "did":
      return ACTIONS[happening.action.kind] ?? "done";
    case "door_opened":
      return "open for a while";
    case "reading":
      return `core ${degrees(happening.core_c)}`;
    case "air":
      return `air ${degrees(happening.air_c)}`;
    case "looks":
      return `looks ${happening.colour}`;
    case "weighed":
      return "weighed";
    case "pulled":
      return "taken out";
    case "put_back":
      return "put back";
    case "dial_was":
      return "dial found wrong";
    case "off":
      return "machine was off";
    case "aim":
      return `core wanted ${degrees(happening.core_c)}`;
    case "keep_in":
      return "time added";
    case "served":
      return "served";
    case "undone":
      return "undone";
    case "finished":
      return "closed";
  }
}

/** What the dial should show now, °C: as it was last set, by plan or by hand. */
export function dialNow(cook: Cook, all: Told[]): number {
  const sets = stands(all).flatMap(({ happening }) => {
    const actions =
      happening.kind === "did"
        ? [happening.action]
        : happening.kind === "step_done"
          ? (cook.plan.steps[happening.step]?.actions ?? [])
          : [];
    return actions.flatMap((one) => (one.kind === "set" && one.setting_c ? [one.setting_c] : []));
  });
  return sets.at(-1) ?? firstSetting(cook.plan, cook.request);
}

/** The core at which it comes out, °C: as it was last wanted. */
export function aimNow(cook: Cook, all: Told[]): number {
  const last = stands(all).findLast(({ happening }) => happening.kind === "aim")?.happening;
  return last?.kind === "aim" ? last.core_c : cook.plan.pull_core_c;
}
