import { useState } from "react";

/** What is being changed outlives a reload of the page, until it is kept or dropped. */
export function useDraft<T>(key: string, saved: T): [T, (next: T | null) => void, boolean] {
  const [draft, setDraft] = useState<T | null>(() => read<T>(key));
  const put = (next: T | null) => {
    setDraft(next);
    if (next === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify(next));
  };
  return [draft ?? saved, put, draft !== null];
}

function read<T>(key: string): T | null {
  const text = sessionStorage.getItem(key);
  if (!text) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}
