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

/** A refusal as a sentence in the cook's units. */
export const refusal = (problem: { code: string; message: Message }, own: units.Units): string =>
  problem.code === "changed" ? CHANGED : `${capital(render(problem.message, own))}.`;
