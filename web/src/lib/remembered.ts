// Small choices about how a page is shown, remembered in this browser.
import { stored } from "./stored";

const shown = stored("zesty-ember.shown", (value) =>
  typeof value === "object" && value !== null ? (value as Record<string, boolean>) : {},
);

/** Whether something is shown, and how to change that. */
export function useShown(name: string, usually: boolean): [boolean, (shown: boolean) => void] {
  const known = shown.use()[name];
  return [known ?? usually, (next) => shown.set({ ...shown.get(), [name]: next })];
}
