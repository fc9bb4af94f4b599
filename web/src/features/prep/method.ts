// A method with the cook's own times, and what the cook makes of one.
import type {
  CountedMethod,
  Method,
  OwnMethod,
  OwnTask,
  PrepTask,
  Request,
  Step,
} from "../../api/types";

type Ahead = NonNullable<Request["ahead"]>;

/** Times the cook changed, s, by method and task. */
export type Changed = Record<string, number>;

export const lasts = (method: Method, task: PrepTask, changed: Changed) =>
  changed[`${method.id} ${task.name}`] ?? task.best_s;

/** The effect of a method on the meat, with the cook's times. */
export const methodAhead = (method: Method, changed: Changed): Ahead =>
  method.tasks.flatMap((task) => {
    if (!task.ahead) return [];
    const timed = task.ahead.kind !== "blot";
    return [{ kind: task.ahead.kind, ahead_s: timed ? lasts(method, task, changed) : 0 }];
  });

/** The id of a cook's own method among the methods; the server uses the same. */
export const ownId = (method: OwnMethod) => `own: ${method.name.trim()}`;

/** A cook's own methods for a cut: the saved ones, and the method of the sentence. */
export function ownFor(request: Request, kept: OwnMethod[]): OwnMethod[] {
  const own = kept.filter((method) => method.cut === request.cut);
  const said = request.method;
  return said && !own.some((method) => method.name === said.name) ? [...own, said] : own;
}

/** The effect of a cook's own method on the meat, as the sentence has it. */
export const ownAhead = (method: OwnMethod): Ahead =>
  method.tasks.flatMap(({ does, best_s }) =>
    does ? [{ kind: does, ahead_s: does === "blot" ? 0 : best_s }] : [],
  );

/** The tasks of the method a sentence counts with as steps of its plan, the last of them done when the
 * machine is switched on, s from loading. */
export const stepsBefore = (method: CountedMethod, preheat: number): Step[] =>
  method.tasks.map((task) => ({
    kind: "act",
    batch: 0,
    at_s: -preheat - task.before_s,
    title: task.name,
    reason: { text: task.reason, values: [] },
    core_c: null,
    caution: task.caution,
  }));

/** The name of the method that a sentence says, where it is none of the known ones. */
export const SAID = "said";

/** A method written down to be changed. */
export const copied = (method: Method, cut: Request["cut"], changed: Changed): OwnMethod => ({
  cut,
  name: method.own ? method.name : `our way: ${method.name}`,
  reason: method.reason,
  surface: method.surface,
  seasonings: method.seasonings,
  tasks: method.tasks.map((task) => {
    const best_s = lasts(method, task, changed);
    return {
      name: task.name,
      place: task.place,
      does: task.ahead?.kind,
      shortest_s: Math.min(task.shortest_s, best_s),
      best_s,
      longest_s: Math.max(task.longest_s, best_s),
      hands_on_s: Math.min(task.hands_on_s, best_s),
      reason: task.reason,
      halfway: task.halfway,
      coats: task.coats,
    };
  }),
});

/** Kinds of tasks, in a cook's words, with where they are done. */
export const DOINGS = [
  { value: "work", text: "work on the counter", place: "counter", does: undefined },
  { value: "bowl", text: "work in a bowl", place: "bowl", does: undefined },
  { value: "hob", text: "work on the hob", place: "hob", does: undefined },
  { value: "blot", text: "blot it dry", place: "counter", does: "blot" },
  { value: "uncovered", text: "bare in the fridge", place: "fridge", does: "uncovered" },
  { value: "covered", text: "covered in the fridge", place: "fridge", does: "covered" },
  { value: "counter", text: "let it stand on the counter", place: "counter", does: "counter" },
  { value: "parboil", text: "in simmering water", place: "hob", does: "parboil" },
] as const;

export type Doing = (typeof DOINGS)[number]["value"];

export const doingOf = (task: OwnTask): Doing =>
  task.does ?? (task.place === "hob" || task.place === "bowl" ? task.place : "work");

/** The same task, doing something else, and in its place. */
export function doing(task: OwnTask, chosen: Doing): OwnTask {
  const known = DOINGS.find((one) => one.value === chosen);
  return known ? { ...task, place: known.place, does: known.does } : task;
}

/** The same task for another time. Work is as long as hands are at it; the window holds its best. */
export function lasting(task: OwnTask, best_s: number): OwnTask {
  const waits = task.does !== undefined && task.does !== "blot";
  return waits
    ? {
        ...task,
        best_s,
        shortest_s: Math.min(task.shortest_s, best_s),
        longest_s: Math.max(task.longest_s, best_s),
        hands_on_s: Math.min(task.hands_on_s, best_s),
      }
    : { ...task, best_s, shortest_s: best_s, longest_s: best_s, hands_on_s: best_s };
}

/** The seasonings in a cook's words. */
export const SEASONINGS = {
  salt: "salt for its weight",
  rub: "a dry rub",
  oil: "oil",
  spray: "a spray of oil",
  oil_below: "a spray of oil for what it lies on",
  baking_powder: "baking powder",
  flour: "a dusting of flour",
  starch: "a dusting of starch",
  egg: "egg",
  crumb: "crumb",
  egg_and_crumb: "flour, egg and crumb",
  butter_sauce: "butter sauce",
  glaze: "a glaze",
  sauce: "sauce, for tossing",
  wet_marinade: "what clings to it from a marinade",
  vinegar_and_salt: "vinegar, then salt on the skin",
  vinegar_soak: "a soak in vinegar and water",
  even_brine: "a weak brine, until it is even",
  strong_brine: "a strong brine, briefly",
  marinade: "a marinade",
} as const;

type SeasoningKind = keyof typeof SEASONINGS;

/** The kinds that are offered: flour, egg and crumb separately. */
export const SEASONING_KINDS = (Object.keys(SEASONINGS) as SeasoningKind[]).filter(
  (kind) => kind !== "egg_and_crumb",
);

/** Salt to begin from, %; only these have any. */
export const SALT_PERCENT: Partial<Record<SeasoningKind, number>> = {
  salt: 1,
  even_brine: 1,
  strong_brine: 6,
};
