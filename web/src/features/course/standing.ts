// Where a cook stands on this screen: what the server answered, and on top what waits to be sent.
import type { Cook, Happening, Step } from "../../api/types";
import type { Kept } from "../../lib/outbox";
import { stands, told } from "./told";

export interface StandingStep {
  step: Step;
  index: number;
  /** ms since the epoch, by this device's clock. */
  due: number;
  done: number | null;
  /** Not reported, while a later step was. */
  passed: boolean;
}

export interface Standing {
  steps: StandingStep[];
  current: StandingStep | null;
  next: StandingStep[];
  loaded: number | null;
  /** Since when everything is out. */
  pulled: number | null;
  closed: boolean;
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
      passed: state?.passed ?? false,
    };
  });
  const state = {
    steps,
    pulled: cook.course?.pulled_at ? local(cook.course.pulled_at) : null,
    closed: cook.state === "finished",
  };
  // A report of this page counts at once, until the server has answered it.
  const standsNow = new Set(stands(told(cook, waiting, skew)).map((one) => one.id));
  for (const one of waiting) if (standsNow.has(one.id)) apply(state, one);
  // A rest is a wait: it is due when it is over.
  for (const [n, step] of steps.entries()) {
    const after = steps[n + 1];
    if (step.step.kind === "rest" && after) step.due = Math.max(step.due, after.due);
  }
  const open = state.closed
    ? []
    : steps
        .filter((step) => step.done === null && !step.passed)
        .sort((a, b) => a.due - b.due || a.index - b.index);
  return {
    steps,
    current: open[0] ?? null,
    next: open.slice(1),
    loaded: steps.find((step) => step.step.kind === "load")?.done ?? loadedAt(cook, skew),
    pulled: state.pulled,
    closed: state.closed,
  };
}

const loadedAt = (cook: Cook, skew: number) =>
  cook.course?.loaded_at ? Date.parse(cook.course.loaded_at) - skew : null;

/** Without an answer it is checked every five minutes, ms. */
const AGAIN = 5 * 60_000;

interface State {
  steps: StandingStep[];
  pulled: number | null;
  closed: boolean;
}

function apply(state: State, { happening, at }: Kept<Happening>) {
  const { steps } = state;
  const lastPull = steps.findLastIndex((step) => step.step.kind === "pull");
  const done = (index: number) => {
    const step = steps[index];
    if (!step || step.done !== null) return;
    step.done = at;
    for (const before of steps.slice(0, index)) {
      // A cook who loads the next batch has done the actions beside the batch before.
      const beside = step.step.kind === "load" && before.step.kind === "act";
      const same = before.step.batch === step.step.batch || step.step.batch === 0 || beside;
      if (same && before.done === null) before.passed = true;
    }
    if (index === lastPull) state.pulled = at;
  };
  switch (happening.kind) {
    case "step_done":
      return done(happening.step);
    case "pulled":
      return done(lastPull);
    case "reading":
      // Until the server says when, a check that was read is due again after a while.
      for (const step of steps) {
        if (step.step.kind === "check" && step.done === null) {
          step.due = Math.max(step.due, at + AGAIN);
        }
      }
      return;
    case "put_back":
      state.pulled = null;
      for (const step of steps.slice(lastPull)) {
        step.done = null;
        step.passed = false;
        step.due = Math.max(step.due, at);
      }
      return;
    case "finished":
      state.closed = true;
  }
}
