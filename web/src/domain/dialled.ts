// A cook as it is dialled: the setting, the minutes, and what to do after how many.
import type { Plan, Step } from "../api/types";
import { minutes, setting, type Units } from "../lib/units";

/** What hands do on the way, in a word. */
const WORDS: Partial<Record<Step["kind"], string>> = {
  turn: "turn",
  sauce: "sauce",
  set: "set the dial",
  check: "check",
};

export interface Dialled {
  /** "385 °F, 24 min". */
  main: string;
  /** "turn after 15 min, check after 18 min". */
  after: string;
  /** For the machine's own timer, s. */
  timer: number;
}

/** How a batch is dialled; `dial` is what the dial shows now, °C. */
export function dialled(plan: Plan, batch: number, dial: number, units: Units): Dialled {
  const own = plan.steps.filter((step) => step.batch === Math.max(1, batch));
  const load = own.find((step) => step.kind === "load")?.at_s ?? 0;
  const pull = own.findLast((step) => step.kind === "pull")?.at_s ?? plan.pull_at_s;
  const after = own.flatMap((step) => {
    const word = WORDS[step.kind];
    return word && step.at_s > load ? [`${word} after ${minutes(whole(step.at_s - load))}`] : [];
  });
  const timer = pull - load;
  return {
    main: `${setting(dial, units)}, ${minutes(whole(timer))}`,
    after: after.join(", "),
    timer,
  };
}

/** Whole minutes, as a timer is set. */
const whole = (seconds: number) => Math.max(60, Math.round(seconds / 60) * 60);
