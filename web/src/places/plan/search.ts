// The sentence in the address, so that a link reproduces it.
import type { Request } from "../../api/types";

export interface PlanSearch {
  /** The sentence; absent for a usual one. */
  say?: Request;
  /** Time of day on the table. */
  eat?: string;
  /** The supper it is a dish of: a kept one, or the one being put together. */
  supper?: string;
  /** Which dish of it. */
  dish?: number;
  /** The planned cook that is changed. */
  cook?: string;
}

/** Reads an address. What is no sentence is taken out (undefined, since the router lays what is
 * returned over what it read); whether a sentence can be cooked, the server says. */
export function readPlanSearch(search: Record<string, unknown>): PlanSearch {
  const { say, eat, supper, dish, cook } = search;
  return {
    say: isSentence(say) ? say : undefined,
    eat: typeof eat === "string" && /^\d{1,2}:\d{2}$/.test(eat) ? eat : undefined,
    supper: typeof supper === "string" ? supper : undefined,
    dish: Number.isInteger(dish) ? (dish as number) : undefined,
    cook: typeof cook === "string" ? cook : undefined,
  };
}

function isSentence(value: unknown): value is Request {
  if (typeof value !== "object" || value === null) return false;
  const say = value as Record<string, unknown>;
  const text = ["cut", "start", "coat", "preheat", "turn", "sauce", "region"];
  const numbers = ["pieces", "piece_mass_g", "core_target_c"];
  return (
    text.every((key) => typeof say[key] === "string") &&
    numbers.every((key) => Number.isFinite(say[key])) &&
    typeof say.machine === "object" &&
    say.machine !== null
  );
}
