// Small choices, remembered in this browser: how a page is shown, who cooks.
import { stored } from "./stored";

const shown = stored("zesty-ember.shown", (value) =>
  typeof value === "object" && value !== null ? (value as Record<string, boolean>) : {},
);

/** Whether something is shown, and how to change that. */
export function useShown(name: string, usually: boolean): [boolean, (shown: boolean) => void] {
  const known = shown.use()[name];
  return [known ?? usually, (next) => shown.set({ ...shown.get(), [name]: next })];
}

const cook = stored("zesty-ember.cook", (value) => (typeof value === "string" ? value : ""));

/** Who cooked last at this device, and how to say who did now. */
export function useCookName(): [string, (name: string) => void] {
  return [cook.use(), cook.set];
}
