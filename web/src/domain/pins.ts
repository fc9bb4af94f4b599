// Planned actions as pins that can be moved: from a sentence and its plan, and back into the sentence. The
// plan shows the effect of a change.
import type { CutEntry, Plan, PlannedAction, Request } from "../api/types";
import { minutes, temperature, type Units } from "../lib/units";
import { sameKind, turnsAll } from "./actions";

export interface Pin {
  /** Its place among the sentence's planned actions; or the method that plans it. */
  of: number | "turn" | "sauce";
  action: PlannedAction;
  /** From loading, s. */
  at: number;
}

/** A pin is moved by whole minutes, s. */
export const STEP = 60;

/** Everything on the strip that can be moved, in order of time. */
export function pinsOf(request: Request, plan: Plan): Pin[] {
  const done = plan.batches[0]?.actions ?? [];
  const planned = request.actions ?? [];
  const own = planned.map((action, of): Pin => ({ of, action, at: momentOf(action, plan) }));
  const left = done.filter((one) => !planned.some((known) => sameKind(known, one)));
  const turn = request.turn === "never" ? undefined : left.find(turnsAll);
  const sauce =
    request.sauce === "last_minutes" ? left.find((one) => one.kind === "sauce") : undefined;
  const ofMethods = [
    turn && { of: "turn" as const, action: turn, at: turn.at_s ?? plan.turn_at_s ?? 0 },
    sauce && { of: "sauce" as const, action: sauce, at: sauce.at_s ?? 0 },
  ];
  return [...own, ...ofMethods.filter((pin) => pin != null)].sort((a, b) => a.at - b.at);
}

/** When something planned is done, s from loading. */
function momentOf(action: PlannedAction, plan: Plan): number {
  if (action.at_s != null) return action.at_s;
  if (action.share != null) return action.share * plan.pull_at_s;
  if (action.before_end_s != null) return Math.max(0, plan.pull_at_s - action.before_end_s);
  const done = plan.batches[0]?.actions?.find((one) => sameKind(one, action));
  return done?.at_s ?? plan.pull_at_s;
}

/** The same action at another minute. */
const at = (action: PlannedAction, at_s: number): PlannedAction => ({
  ...action,
  at_s: Math.max(STEP, Math.round(at_s / STEP) * STEP),
  share: undefined,
  before_end_s: undefined,
  every_s: undefined,
  moment: undefined,
});

/** Turns of the cook's own take the place of the method's; without them it is as usual again. */
export function withActions(
  request: Request,
  entry: Pick<CutEntry, "usual_turn">,
  actions: PlannedAction[],
): Partial<Request> {
  if (actions.some(turnsAll)) return { actions, turn: "never" };
  return (request.actions ?? []).some(turnsAll) ? { actions, turn: entry.usual_turn } : { actions };
}

type Change = (
  request: Request,
  entry: Pick<CutEntry, "usual_turn">,
  pin: Pin,
  at_s: number,
) => Partial<Request>;

/** A pin at another minute; what a method planned becomes the cook's own. */
export const moved: Change = (request, entry, pin, at_s) => {
  const actions = request.actions ?? [];
  const own = at(pin.action, at_s);
  const next =
    typeof pin.of === "number"
      ? actions.map((one, n) => (n === pin.of ? own : one))
      : [...actions, own];
  return {
    ...withActions(request, entry, next),
    ...(pin.of === "sauce" ? { sauce: "none" as const } : {}),
  };
};

/** The sentence without it. */
export const removed = (
  request: Request,
  entry: Pick<CutEntry, "usual_turn">,
  pin: Pin,
): Partial<Request> => {
  if (pin.of === "turn") return { turn: "never" };
  if (pin.of === "sauce") return { sauce: "none" };
  const next = (request.actions ?? []).filter((_, n) => n !== pin.of);
  // A turn that is taken off stays off.
  return turnsAll(pin.action)
    ? { actions: next, turn: "never" }
    : withActions(request, entry, next);
};

/** The sentence with something more. */
export const added = (
  request: Request,
  entry: Pick<CutEntry, "usual_turn">,
  what: Omit<PlannedAction, "at_s">,
  at_s: number,
): Partial<Request> =>
  withActions(request, entry, [...(request.actions ?? []), at(what as PlannedAction, at_s)]);

const COLOURS = ["pale", "blond", "golden", "brown", "dark", "burnt"];
/** Less than this is not told, s and K. */
const NOTICED_S = 20;
const NOTICED_K = 1;

/** The effect of a change: "2 min longer, lower face paler". */
export function difference(before: Plan, after: Plan, units: Units): string {
  const later = Math.round((after.pull_at_s - before.pull_at_s) / 30) * 30;
  const time =
    Math.abs(after.pull_at_s - before.pull_at_s) < NOTICED_S
      ? []
      : [`${minutes(Math.abs(later))} ${later > 0 ? "longer" : "shorter"}`];
  const faces = ["upper face", "lower face"].flatMap((name, n) => {
    const was = COLOURS.indexOf(before.outcomes?.faces[n]?.browning ?? "");
    const is = COLOURS.indexOf(after.outcomes?.faces[n]?.browning ?? "");
    if (was < 0 || is < 0 || was === is) return [];
    return [`${name} ${COLOURS[is]} instead of ${COLOURS[was]}`];
  });
  const rise = after.peak_core_c - before.peak_core_c;
  const core =
    Math.abs(rise) < NOTICED_K
      ? []
      : [`core ${temperature(after.peak_core_c, units)} after the rest`];
  const all = [...time, ...faces, ...core];
  return all.length === 0 ? "no difference" : all.join(", ");
}
