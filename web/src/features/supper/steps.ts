// The steps of a side dish as they are said and changed.
import type { SideStep } from "../../api/types";

export const SITES: Record<SideStep["site"], string> = {
  counter: "on the counter",
  hob: "on the hob",
  fridge: "in the fridge",
  machine: "alone in the machine",
  beside: "beside the meat",
};

export const JOINS = [
  { value: "last_minutes", text: "for its last minutes" },
  { value: "turned_down", text: "when its heat is turned down" },
  { value: "at_minute", text: "at a minute" },
] as const;

export const AFTER = [
  { value: "next", text: "after the step before" },
  { value: "meat_out", text: "when the meat is out" },
] as const;

/** Where a join at a minute begins from, s. */
const JOINS_AT = 20 * 60;

/** A step to begin from. */
export const NEW_STEP: SideStep = {
  what: "Do something",
  site: "counter",
  starts: "next",
  work_s: 300,
  shortest_s: 300,
  best_s: 300,
  longest_s: 300,
  waits_s: 900,
};

/** The same step in another place. What cooks beside the meat joins it, and hands put it in with the meat's. */
export const movedStep = (step: SideStep, site: SideStep["site"]): SideStep =>
  site === "beside"
    ? {
        ...step,
        site,
        starts: "last_minutes",
        joins_s: undefined,
        work_s: 0,
        step_setting_c: undefined,
      }
    : {
        ...step,
        site,
        starts: step.site === "beside" ? "next" : step.starts,
        joins_s: undefined,
        step_setting_c: site === "machine" ? step.step_setting_c : undefined,
      };

/** The same step beginning at another time. */
export const starting = (step: SideStep, starts: SideStep["starts"]): SideStep => ({
  ...step,
  starts,
  joins_s: starts === "at_minute" ? (step.joins_s ?? JOINS_AT) : undefined,
});

/** The same step for another time; hands are at it for no longer. */
export const lastingStep = (step: SideStep, best_s: number): SideStep => {
  const shortest_s = Math.min(step.shortest_s, best_s);
  return {
    ...step,
    best_s,
    shortest_s: step.shortest_s === step.best_s ? best_s : shortest_s,
    longest_s: step.longest_s === step.best_s ? best_s : Math.max(step.longest_s, best_s),
    work_s: Math.min(step.work_s, step.shortest_s === step.best_s ? best_s : shortest_s),
  };
};
