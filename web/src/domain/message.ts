// Messages come with quantities left open; here they are read in the cook's units.
import { capital } from "../lib/text";
import * as units from "../lib/units";

interface Quantity {
  kind: "temperature_c" | "setting_c" | "difference_k" | "length_mm" | "mass_g" | "time_s";
  value: number;
}

interface Message {
  text: string;
  values: Quantity[];
}

function quantity({ kind, value }: Quantity, own: units.Units): string {
  switch (kind) {
    case "temperature_c":
      return units.temperature(value, own);
    case "setting_c":
      return units.setting(value, own);
    case "difference_k":
      return units.difference(value, own);
    case "length_mm":
      return units.length(value, own);
    case "mass_g":
      return units.mass(value, own);
    case "time_s":
      return units.minutes(value);
  }
}

export function render(message: Message, own: units.Units): string {
  return message.text
    .split("{}")
    .map((part, n) => {
      const value = message.values[n - 1];
      return n > 0 && value ? quantity(value, own) + part : part;
    })
    .join("");
}

/** The order of a step in the cook's units; older plans have it in words alone. */
export const order = (
  step: { title: string; order?: Message | null | undefined },
  own: units.Units,
): string => (step.order ? render(step.order, own) : step.title);

/** Told where something is saved that was changed elsewhere since it was opened. */
export const CHANGED =
  "This was changed meanwhile, on another device or in another tab. Save again to replace what " +
  "stands there now.";

interface Refusal {
  code: string;
  detail: string;
  field?: string | null;
  value?: number | null;
  min?: number | null;
  max?: number | null;
  unit?: string | null;
  equivalent_min?: number[] | null;
}

/** A refusal in the cook's units; the server's own words where it has no numbers to convert. */
export function refusal(problem: Refusal, own: units.Units): string {
  const show = (value: number) => {
    if (problem.unit === "°C") return units.temperature(value, own);
    if (problem.unit === "mm") return units.length(value, own);
    if (problem.unit === "g") return units.mass(value, own);
    if (problem.unit === "K") return units.difference(value, own);
    if (problem.unit === "s") return units.minutes(value);
    return `${value} ${problem.unit ?? ""}`.trim();
  };
  const { value, min, max } = problem;
  const what = problem.detail.split(" is ")[0] ?? "";
  switch (problem.code) {
    case "changed":
      return CHANGED;
    case "out_of_bounds":
      if (value == null || min == null || max == null) return problem.detail;
      return `${capital(what)} is ${show(value)}; it can be ${show(min)} to ${show(max)}.`;
    case "below_poultry_floor":
      if (min == null) return problem.detail;
      return `${capital(what)} is not planned below ${units.temperature(min, own)}. Choose ${units.temperature(min + 0.4, own)} or more.`;
    case "above_ceiling":
      if (value == null || max == null || !problem.equivalent_min) return problem.detail;
      return `This machine goes up to ${units.setting(max, own)}, not ${units.setting(value, own)}. At its ceiling ${Math.round(problem.equivalent_min[1] ?? 0)} min do what ${Math.round(problem.equivalent_min[0] ?? 0)} min would.`;
    case "no_waiver":
      if (value == null || min == null) return problem.detail;
      return `${show(value)} is below the safe minimum of ${show(min)}, and somebody at the table is pregnant, very young, old or ill. Choose ${units.temperature(min + 0.4, own)} or more.`;
    case "below_lowest":
      if (min == null) return problem.detail;
      return `This machine starts at ${units.setting(min, own)}. Choose that or more.`;
    case "never_reached":
      if (value == null) return problem.detail;
      return `At this setting the core stops at ${show(value)} and never gets there within 4 h. Set it hotter or aim lower.`;
    case "thickness_of_weight":
      if (value == null || min == null || max == null) return problem.detail;
      return `${show(value)} thick does not go with that weight: it would be ${show(min)} to ${show(max)}. Check both numbers.`;
    case "not_on_the_dial":
      if (value == null || max == null) return problem.detail;
      return `This machine goes up to ${units.setting(max, own)}, not ${units.setting(value, own)}.`;
    case "after_the_end":
      if (value == null || max == null) return problem.detail;
      return `Something is planned at ${units.minutes(value)}, but everything is out at ${units.minutes(max)}. Plan it earlier.`;
    default:
      return `${capital(inUnits(problem.detail, own))}.`;
  }
}

/** Quantities in the server's own words, in the cook's units. */
const inUnits = (text: string, own: units.Units) =>
  text.replace(/(-?\d+(?:\.\d+)?) (°C|mm|g|K)\b/g, (_, number: string, unit: string) => {
    const value = Number(number);
    if (unit === "°C") return units.temperature(value, own);
    if (unit === "K") return units.difference(value, own);
    return unit === "mm" ? units.length(value, own) : units.mass(value, own);
  });
