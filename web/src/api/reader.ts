import { refusal } from "../domain/message";
import type { Units } from "../lib/units";
import { ApiFailure } from "./client";
import { understand } from "./queries";
import type { TypedField } from "./types";

/** Reads typed text through the server, with its refusal in the cook's units. */
export const reader = (field: TypedField, units: Units) => async (text: string) => {
  try {
    return await understand(field, text, units);
  } catch (error) {
    if (error instanceof ApiFailure && error.problem) {
      throw new Error(refusal(error.problem, units));
    }
    throw error;
  }
};

/** Reads a typed time, s. Times are the same in all units. */
export const readTime = reader("ahead_s", { temperature: "celsius", weight: "metric" });
