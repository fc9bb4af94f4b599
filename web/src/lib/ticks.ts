// Round numbers along an axis of temperatures, in the scale that is shown.
import { ticks } from "d3-array";
import { fromScale, toScale, type Units } from "./units";

/** Temperatures, °C, that are round in the cook's scale; about this number. */
export const roundTemperatures = (low: number, high: number, about: number, units: Units) =>
  ticks(toScale(low, units), toScale(high, units), about).map((value) => fromScale(value, units));
