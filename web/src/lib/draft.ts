// A draft outlives a reload of the page, until it is saved or dropped. A draft of another shape, from an earlier
// version, is ignored.
import { useState } from "react";
import { asNow } from "./earlier";

type Check<T> = (value: unknown) => value is T;

export function useDraft<T>(
  key: string,
  saved: T,
  isIt: Check<T>,
): [T, (next: T | null) => void, boolean] {
  const [known, setKnown] = useState(() => ({ key, draft: readDraft(key, isIt) }));
  // A draft of something else is read where the same form goes on with that.
  const current = known.key === key ? known : { key, draft: readDraft(key, isIt) };
  if (current !== known) setKnown(current);
  const put = (draft: T | null) => {
    setKnown({ key, draft });
    writeDraft(key, draft);
  };
  return [current.draft ?? saved, put, current.draft !== null];
}

export function readDraft<T>(key: string, isIt: Check<T>): T | null {
  const text = sessionStorage.getItem(key);
  if (!text) return null;
  try {
    const draft: unknown = JSON.parse(text, asNow);
    return isIt(draft) ? draft : null;
  } catch {
    return null;
  }
}

export function writeDraft<T>(key: string, draft: T | null) {
  if (draft === null) sessionStorage.removeItem(key);
  else sessionStorage.setItem(key, JSON.stringify(draft));
}
