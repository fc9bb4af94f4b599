// What could be otherwise about a plan, each as a change of its sentence.
import type { CutEntry, Machine, Request } from "../../api/types";
import { inMachine } from "../../domain/request";
import { minutes, setting, type Units } from "../../lib/units";

export type Kind =
  | "thickness"
  | "setting"
  | "crowded"
  | "tempered"
  | "frozen"
  | "machine"
  | "unturned";

export interface Variant {
  kind: Kind;
  /** A factor, a temperature, a time, or the number of a machine. */
  value: number;
}

interface Rule {
  words: string;
  /** The range of the slider, where the variant has one. */
  range?: (request: Request) => [number, number];
  step?: number;
  usual: (request: Request) => number;
  told: (variant: Variant, request: Request, machines: Machine[], units: Units) => string;
  change: (
    variant: Variant,
    request: Request,
    machines: Machine[],
    thickness: number,
  ) => Partial<Request>;
}

export const VARIANTS: Record<Kind, Rule> = {
  thickness: {
    words: "thicker or thinner",
    range: () => [0.6, 1.5],
    step: 0.05,
    usual: () => 1.2,
    told: ({ value }) =>
      `${Math.round(Math.abs(value - 1) * 100)} % ${value >= 1 ? "thicker" : "thinner"}`,
    change: ({ value }, _request, _machines, thickness) => ({
      thickness_mm: Math.round(thickness * value * 10) / 10,
    }),
  },
  setting: {
    words: "another setting",
    range: ({ machine }) => [machine.lowest_c, machine.highest_c],
    step: 5,
    usual: ({ machine, setting_c }) => Math.max(machine.lowest_c, (setting_c ?? 190) - 20),
    told: ({ value }, _request, _machines, units) => `at ${setting(value, units)}`,
    change: ({ value }) => ({ setting_c: value }),
  },
  crowded: {
    words: "all at once, however they lie",
    usual: () => 0,
    told: () => "all at once",
    change: () => ({ load: "all_at_once", layout: undefined }),
  },
  tempered: {
    words: "tempered on the counter",
    range: () => [900, 3600],
    step: 300,
    usual: () => 2700,
    told: ({ value }) => `${minutes(value)} on the counter first`,
    change: ({ value }) => ({ start: "tempered", tempered_s: value, start_c: undefined }),
  },
  frozen: {
    words: "from frozen",
    usual: () => 0,
    told: () => "from frozen",
    change: () => ({ start: "frozen", start_c: undefined, ahead: undefined, method: undefined }),
  },
  machine: {
    words: "in another machine, an oven too",
    usual: () => 0,
    told: ({ value }, _request, machines) => `in ${machines[value]?.name ?? "another machine"}`,
    change: ({ value }, request, machines) => {
      const machine = machines[value];
      if (!machine) return {};
      const highest = request.setting_c && Math.min(request.setting_c, machine.highest_c);
      return {
        ...inMachine(request, machine),
        setting_c: highest,
        known: undefined,
        layout: undefined,
      };
    },
  },
  unturned: {
    words: "not turned",
    usual: () => 0,
    told: () => "not turned",
    change: () => ({ turn: "never" }),
  },
};

/** The sentence of a variant. */
export function sentenceOf(
  variant: Variant,
  request: Request,
  entry: CutEntry,
  machines: Machine[],
  thickness: number,
): Request {
  const change = VARIANTS[variant.kind].change(variant, request, machines, thickness);
  return { ...request, cut: entry.cut, split: undefined, ...change };
}
