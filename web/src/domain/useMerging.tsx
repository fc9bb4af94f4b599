// Saving a document that another device may have changed meanwhile: changes that do not conflict are merged at
// once; for the others both versions are shown.
import { type ReactNode, useEffect, useRef, useState } from "react";
import { ApiFailure } from "../api/client";
import { MergeScreen } from "../components/MergeScreen";
import { type Merged, merge, put } from "../lib/merge";
import { fieldWords, valueWords } from "./fields";
import { useSettings } from "./settings";

/** A document as it was seen. */
export interface Version<T> {
  revision: number;
  document: T;
}

/** After this many tries two devices that keep changing the same thing are asked. */
const TRIES = 4;

/** Told instead of saving, while both versions are shown. */
export class Undecided extends Error {
  constructor() {
    super("This was changed on another device too.");
  }
}

interface Seeing<T> {
  seen: Version<T> | null;
  /** Whether something is being changed: then what it was changed from is kept, also over a reload. */
  editing: boolean;
  /** What it is, for that. */
  of: string;
}

interface Open<T> {
  merged: Merged<T>;
  theirs: Version<T>;
}

interface Merging<T, K> {
  save: (document: T) => Promise<K>;
  /** Both versions, where they have to be decided. */
  screen: ReactNode;
}

/** `seen` is the stored version that this page knows, and the base of the change while `editing`; `read` finds the
 * document in a refusal. */
export function useMerging<T, K>(
  { seen, editing, of }: Seeing<T>,
  send: (revision: number, document: T) => Promise<K>,
  read: (current: unknown) => Version<T>,
  onDecided: (document: T) => void,
): Merging<T, K> {
  const units = useSettings();
  const base = useBase(seen, editing, of);
  const [open, setOpen] = useState<Open<T> | null>(null);
  const save = async (document: T): Promise<K> => {
    let from = base.current ?? seen;
    let wanted = document;
    for (let tries = 1; ; tries++) {
      if (!from) throw new Error("The stored version is not known yet.");
      try {
        return await send(from.revision, wanted);
      } catch (error) {
        const current = error instanceof ApiFailure ? error.problem?.current : null;
        if (!current || tries >= TRIES) throw error;
        const theirs = read(current);
        const merged = merge(from.document, wanted, theirs.document);
        if (merged.conflicts.length > 0) {
          setOpen({ merged, theirs });
          throw new Undecided();
        }
        from = theirs;
        wanted = merged.document;
      }
    }
  };
  const screen = open ? (
    <MergeScreen
      differences={open.merged.conflicts.map(({ path, mine, theirs }) => ({
        what: fieldWords(path),
        mine: valueWords(path, mine, units),
        theirs: valueWords(path, theirs, units),
      }))}
      taken={open.merged.taken.map(fieldWords)}
      onDecide={(chosen) => {
        const decided = open.merged.conflicts.reduce(
          (document, { path, theirs }, n) => (chosen[n] ? put(document, path, theirs) : document),
          open.merged.document,
        );
        base.current = open.theirs;
        setOpen(null);
        onDecided(decided);
      }}
      onCancel={() => setOpen(null)}
    />
  ) : null;
  return { save, screen };
}

/** The base of a change: the stored version, and during a change the version at its beginning. */
function useBase<T>(seen: Version<T> | null, editing: boolean, of: string) {
  const key = `from ${of}`;
  const base = useRef<Version<T> | null>(null);
  const begun = useRef(false);
  if (!editing) {
    base.current = seen;
    begun.current = false;
  } else if (!begun.current && seen) {
    const kept = sessionStorage.getItem(key);
    base.current = kept ? JSON.parse(kept) : (base.current ?? seen);
    begun.current = true;
    sessionStorage.setItem(key, JSON.stringify(base.current));
  }
  // A reload of the page keeps it; leaving the page, or being done, does not.
  useEffect(() => {
    if (editing) return () => sessionStorage.removeItem(key);
    sessionStorage.removeItem(key);
  }, [editing, key]);
  return base;
}
