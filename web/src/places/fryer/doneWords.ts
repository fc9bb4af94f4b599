// What the large button says for each kind of step.
import type { Step } from "../../api/types";

export const DONE_WORDS: Record<Step["kind"], string> = {
  preheat: "Preheating started",
  load: "Loaded",
  turn: "Turned",
  sauce: "Sauced",
  set: "Dial set",
  act: "Done",
  check: "Enter temperature",
  pull: "Taken out",
  rest: "Rested",
  measure: "Enter temperature",
  finish: "Done",
  serve: "Served",
};

/** A step that asks for a reading. */
export const measures = (step: Step) => step.kind === "check" || step.kind === "measure";
