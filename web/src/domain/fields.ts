// The fields of a document in a cook's words, to show two versions beside one another.
import { hours, length, mass, minutes, setting, type Units } from "../lib/units";

/** Fields whose name on the wire is not a word of the kitchen. */
const NAMES: Record<string, string> = {
  power_w: "power",
  lowest_c: "lowest setting",
  highest_c: "highest setting",
  step_k: "step of the dial",
  offset_k: "thermostat accuracy",
  strength: "fan strength",
  floor_width_mm: "width",
  floor_depth_mm: "depth",
  floor_corner_mm: "rounding of the corners",
  height_mm: "height",
  racks_mm: "racks",
  piece_mass_g: "weight of one",
  mass_g: "weight",
  core_target_c: "core temperature",
  setting_c: "setting",
  start: "start temperature",
  first_up: "first face up",
  dishes: "dishes",
  tasks: "steps",
  parts: "parts",
  seasonings: "seasonings",
  serve_at: "time on the table",
  serve_s: "time on the table",
  ahead: "preparation ahead",
};

/** "chops: weight of one". */
export function fieldWords(path: readonly (string | number)[]): string {
  if (path.length === 0) return "all of it";
  const words = path.map((part) => {
    const text = String(part);
    return NAMES[text] ?? text.replace(/_(c|k|mm|g|s|w|l)$/, "").replaceAll("_", " ");
  });
  return words.join(": ");
}

const HOUR = 3600;

/** A value as the cook reads it: numbers by the unit at the end of the field's name. */
export function valueWords(path: readonly (string | number)[], value: unknown, own: Units): string {
  if (value === undefined || value === null) return "nothing";
  if (typeof value === "boolean") return value ? "yes" : "no";
  const field = String(path.at(-1) ?? "");
  if (typeof value === "number") {
    if (field.endsWith("_c")) return setting(value, own);
    if (field.endsWith("_mm")) return length(value, own);
    if (field.endsWith("_g")) return mass(value, own);
    if (field.endsWith("_s")) return value < HOUR ? minutes(value) : hours(value);
    if (field.endsWith("_w")) return `${value} W`;
    return String(value);
  }
  if (typeof value === "string") return value === "" ? "nothing" : value.replaceAll("_", " ");
  if (Array.isArray(value)) {
    if (value.length === 0) return "nothing";
    return value.map((one) => valueWords(path, one, own)).join(", ");
  }
  const known = value as Record<string, unknown>;
  const name = known.name ?? known.what ?? known.cut ?? known.layer ?? known.kind ?? known.id;
  if (typeof name === "string") return name.replaceAll("_", " ");
  return Object.entries(known)
    .map(([key, one]) => `${fieldWords([key])} ${valueWords([key], one, own)}`)
    .join(", ");
}
