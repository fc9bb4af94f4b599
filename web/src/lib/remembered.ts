// Small choices about how a page is shown, remembered in this browser.
import { useSyncExternalStore } from "react";

const KEY = "zesty-ember.shown";
const listeners = new Set<() => void>();
let current: Record<string, boolean> = read();

function read(): Record<string, boolean> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? "{}");
    return typeof kept === "object" && kept !== null ? (kept as Record<string, boolean>) : {};
  } catch {
    return {};
  }
}

function remember(name: string, shown: boolean) {
  current = { ...current, [name]: shown };
  try {
    localStorage.setItem(KEY, JSON.stringify(current));
  } catch {
    // A browser that keeps nothing still works for this visit.
  }
  for (const listener of listeners) listener();
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Whether something is shown, and how to change that. */
export function useShown(name: string, usually: boolean): [boolean, (shown: boolean) => void] {
  const known = useSyncExternalStore(subscribe, () => current)[name];
  return [known ?? usually, (shown) => remember(name, shown)];
}
