// Where a cook stands on this screen: what the server folded, and on top what waits to be sent.
import type { Cook, Happening, Step } from "../../api/types";
import type { Kept } from "../../lib/outbox";

export interface StandingStep {
  step: Step;
  index: number;
  /** ms since the epoch, by this device's clock. */
  due: number;
  done: number | null;
}

export interface Standing {
  steps: StandingStep[];
  current: StandingStep | null;
  next: StandingStep[];
  loaded: number | null;
  pulled: boolean;
}

/** The server's time less this device's, ms, as of an answer received at `received`. */
export const skewOf = (cook: Cook, received: number) => Date.parse(cook.now) - received;

export function standing(cook: Cook, waiting: Kept<Happening>[], skew: number): Standing {
  const local = (time: string) => Date.parse(time) - skew;
  const steps = cook.plan.steps.map((step, index): StandingStep => {
    const state = cook.course?.steps[index];
    return {
      step,
      index,
      due: state ? local(state.due_at) : 0,
      done: state?.done_at ? local(state.done_at) : null,
    };
  });
  let pulled = cook.course?.pulled_at != null;
  for (const { happening, at } of waiting) {
    // What is reported here counts here at once; a step takes those before it along.
    const through =
      happening.kind === "step_done"
        ? happening.step
        : happening.kind === "pulled"
          ? steps.findLastIndex((step) => step.step.kind === "pull")
          : -1;
    for (const step of steps.slice(0, through + 1)) step.done ??= at;
    if (happening.kind === "pulled") pulled = true;
  }
  const open = steps.filter((step) => step.done === null);
  return {
    steps,
    current: open[0] ?? null,
    next: open.slice(1),
    loaded: steps.find((step) => step.step.kind === "load")?.done ?? null,
    pulled,
  };
}
