// A cook as it is dialled: the setting, the minutes, and what to do after how many.
import type { Machine, Plan, Request, Step } from "../api/types";
import { setting, type Units, wholeMinutes } from "../lib/units";

/** What hands do on the way, in a word. */
const WORDS: Partial<Record<Step["kind"], string>> = {
  turn: "turn after",
  sauce: "sauce after",
  check: "check at",
};

/** What the dial shows when the meat goes in, °C. */
export const firstSetting = (plan: Plan, { programme }: Pick<Request, "programme">) =>
  programme?.kind === "hot_start" ? programme.stage_setting_c : plan.setting_c;

/** Less than this apart a word on the dial is the setting, K. */
const SAME = 0.5;

/** A setting as this machine's dial shows it: its own word for it, where it has one. */
export function onDial(celsius: number, machine: Pick<Machine, "dial_words">, units: Units) {
  const word = machine.dial_words?.find((one) => Math.abs(one.setting_c - celsius) < SAME)?.word;
  const number = setting(celsius, units);
  return word ? `“${word}” (${number})` : number;
}

/** The setting and minutes of a step; undefined for a step without minutes. */
function words(step: Step, machine: Pick<Machine, "dial_words">, units: Units): string | undefined {
  if (step.kind !== "set") return WORDS[step.kind];
  const to = step.actions?.find((one) => one.kind === "set")?.setting_c;
  return to == null ? "set the dial after" : `set ${onDial(to, machine, units)} after`;
}

export interface Dialled {
  /** "385 °F for 24 min". */
  main: string;
  /** "turn after 15, check at 18 min". */
  after: string;
  /** For the machine's own timer, s. */
  timer: number;
}

/** When a batch goes in, s from the first loading. */
export const loadOf = (steps: Pick<Step, "kind" | "batch" | "at_s">[], batch: number) =>
  steps.find((step) => step.kind === "load" && step.batch === Math.max(1, batch))?.at_s ?? 0;

/** How a batch is dialled; `dial` is what the dial shows now, °C. */
export function dialled(
  plan: Plan,
  batch: number,
  dial: number,
  machine: Pick<Machine, "dial_words">,
  units: Units,
): Dialled {
  const own = plan.steps.filter((step) => step.batch === Math.max(1, batch));
  const load = loadOf(own, batch);
  const pull = own.findLast((step) => step.kind === "pull")?.at_s ?? plan.pull_at_s;
  const after = own.flatMap((step) => {
    const word = words(step, machine, units);
    return word && step.at_s > load
      ? [`${word} ${wholeMinutes(Math.max(60, step.at_s - load))}`]
      : [];
  });
  const timer = pull - load;
  return {
    main: `${onDial(dial, machine, units)} for ${wholeMinutes(Math.max(60, timer))}`,
    // The unit is said once, at the end.
    after: after
      .map((one, n) => (n < after.length - 1 ? one.replace(/ min$/, "") : one))
      .join(", "),
    timer,
  };
}
