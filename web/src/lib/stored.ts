// Something small that this browser remembers, and tells who is looking when it changes.
import { useSyncExternalStore } from "react";

/** The value stored under a key; `taken` checks the value that was read. */
export function stored<T>(key: string, taken: (value: unknown) => T) {
  const listeners = new Set<() => void>();
  let current = read();

  function read(): T {
    try {
      return taken(JSON.parse(localStorage.getItem(key) ?? "null"));
    } catch {
      return taken(null);
    }
  }

  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  const get = () => current;

  return {
    get,
    set: (next: T) => {
      current = next;
      try {
        localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // A browser that keeps nothing still works for this visit.
      }
      for (const listener of listeners) listener();
    },
    use: () => useSyncExternalStore(subscribe, get),
  };
}
