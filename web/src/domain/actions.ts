// Planned actions in words, and from what is typed.
import { reader } from "../api/reader";
import type { Plan, PlannedAction, Request } from "../api/types";
import * as show from "../lib/units";

/** Kinds that a form offers: some wire kinds come in several. */
export const KINDS = {
  turn: { words: "turn every piece", says: { kind: "turn" }, asks: null },
  turn_one: { words: "turn one piece", says: { kind: "turn", which: "one" }, asks: null },
  sauce: { words: "brush with sauce", says: { kind: "sauce", faces: "both" }, asks: null },
  sauce_up: { words: "sauce the upper side", says: { kind: "sauce", faces: "up" }, asks: null },
  sauce_down: { words: "sauce the lower side", says: { kind: "sauce", faces: "down" }, asks: null },
  spray: { words: "spray with oil", says: { kind: "spray" }, asks: null },
  fat: { words: "baste with fat", says: { kind: "baste", with: "fat" }, asks: null },
  water: {
    words: "baste with juice or stock",
    says: { kind: "baste", with: "water" },
    asks: null,
  },
  set: { words: "set the dial", says: { kind: "set" }, asks: "setting" },
  add_side: { words: "add a side dish", says: { kind: "add_side" }, asks: "mass" },
  stir_side: { words: "stir the side dish", says: { kind: "stir_side" }, asks: null },
  take_side: { words: "take the side dish out", says: { kind: "take_side" }, asks: null },
  move: { words: "move the pieces", says: { kind: "move" }, asks: null },
  swap_racks: { words: "swap racks or drawers", says: { kind: "swap_racks" }, asks: null },
  rotate: { words: "turn the basket a quarter round", says: { kind: "rotate" }, asks: null },
  open: { words: "leave it open", says: { kind: "open" }, asks: "time" },
  take_out: { words: "take everything out", says: { kind: "take_out" }, asks: null },
  put_back: { words: "put everything back", says: { kind: "put_back" }, asks: null },
  spit_stops: { words: "stop the spit", says: { kind: "spit_stops" }, asks: null },
  spit_turns: { words: "let the spit turn again", says: { kind: "spit_turns" }, asks: null },
} as const satisfies Record<
  string,
  { words: string; says: Omit<PlannedAction, "at_s">; asks: "setting" | "mass" | "time" | null }
>;

export type Kind = keyof typeof KINDS;

export const MOMENTS = {
  at: "at minute",
  share: "at a share of the cook",
  before_end: "before the end",
  every: "again every",
  golden: "when it is golden",
} as const;

export type Moment = keyof typeof MOMENTS;

export function actionWords(action: PlannedAction, units: show.Units): string {
  const known = Object.values(KINDS).find(({ says }) => sameKind(says, action));
  const words = known?.words ?? action.kind.replace("_", " ");
  if (action.setting_c != null) return `${words} to ${show.setting(action.setting_c, units)}`;
  if (action.side_mass_g != null) return `${words} of ${show.mass(action.side_mass_g, units)}`;
  if (action.open_s != null) return `${words} for ${show.minutes(action.open_s)}`;
  return words;
}

export function momentWords(action: PlannedAction): string {
  if (action.at_s != null) return `after ${show.minutes(action.at_s)}`;
  if (action.share === 0.5) return "half-way";
  if (action.share != null) return `at ${Math.round(action.share * 100)} %`;
  if (action.before_end_s != null) return `${show.minutes(action.before_end_s)} before the end`;
  if (action.every_s != null) return `every ${show.minutes(action.every_s)}`;
  return "when golden";
}

/** Whether both are the same thing to do, at whatever minute. */
export const sameKind = (a: PlannedAction, b: PlannedAction): boolean =>
  a.kind === b.kind &&
  (a.which ?? "all") === (b.which ?? "all") &&
  (a.faces ?? "both") === (b.faces ?? "both") &&
  (a.with ?? "water") === (b.with ?? "water");

/** Whether it brushes something with sauce. */
export const brushesSauce = (action: PlannedAction): boolean => action.kind === "sauce";

/** Whether sauce is brushed on or tossed with it. */
export const isSauced = (request: Request): boolean =>
  request.sauce !== "none" || (request.actions ?? []).some(brushesSauce);

/** Whether it turns every piece. */
export const turnsAll = (action: PlannedAction): boolean =>
  action.kind === "turn" && (action.which ?? "all") === "all";

/** The effect of a planned action, where the plan has it. */
export function worthWords(action: PlannedAction, plan: Plan | undefined): string {
  const worth = plan?.worths?.find(
    (one) =>
      one.action.kind === action.kind &&
      (action.at_s == null || Math.abs((one.action.at_s ?? 0) - action.at_s) <= 60),
  );
  if (!worth) return "";
  const later = Math.round(worth.later_s / 30) * 30;
  const time =
    later === 0
      ? "no minutes"
      : `${show.minutes(Math.abs(later))} ${later > 0 ? "longer" : "shorter"}`;
  const [above, below] = worth.with;
  const [bare, other] = worth.without;
  const colour =
    above === bare && below === other
      ? ""
      : `, ${above} and ${below} instead of ${bare} and ${other}`;
  return ` · ${time}${colour}`;
}

/** From what is typed; the server's reader says what is wrong. */
export async function planned(
  kind: Kind,
  moment: Moment,
  when: string,
  amount: string,
  units: show.Units,
  readTime: (text: string) => Promise<number>,
): Promise<PlannedAction> {
  const { says, asks } = KINDS[kind];
  const what = {
    ...says,
    ...(asks === "setting" ? { setting_c: await reader("setting_c", units)(amount) } : {}),
    ...(asks === "mass" ? { side_mass_g: await reader("piece_mass_g", units)(amount) } : {}),
    ...(asks === "time" ? { open_s: await readTime(amount) } : {}),
  };
  switch (moment) {
    case "at":
      return { ...what, at_s: await readTime(when) };
    case "before_end":
      return { ...what, before_end_s: await readTime(when) };
    case "every":
      return { ...what, every_s: await readTime(when) };
    case "share": {
      const percent = Number.parseFloat(when);
      if (!(percent > 0 && percent < 95)) throw new Error("Write a share from 1 to 95 %.");
      return { ...what, share: percent / 100 };
    }
    case "golden":
      return { ...what, moment: "golden" };
  }
}
