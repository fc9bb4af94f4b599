import { useState } from "react";

/** What is being changed outlives a reload of the page, until it is kept or dropped. */
export function useDraft<T>(key: string, saved: T): [T, (next: T | null) => void, boolean] {
  const [draft, setDraft] = useState<T | null>(() => readDraft<T>(key));
  const put = (next: T | null) => {
    setDraft(next);
    writeDraft(key, next);
  };
  return [draft ?? saved, put, draft !== null];
}

export function readDraft<T>(key: string): T | null {
  const text = sessionStorage.getItem(key);
  if (!text) return null;
  try {
    return JSON.parse(text) as T;
  } catch {
    return null;
  }
}

export function writeDraft<T>(key: string, draft: T | null) {
  if (draft === null) sessionStorage.removeItem(key);
  else sessionStorage.setItem(key, JSON.stringify(draft));
}
