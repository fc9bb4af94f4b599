// Where an outbox keeps what waits: in the browser's database, shared by all tabs.
import { type IDBPDatabase, openDB } from "idb";

export interface BoxStore<T> {
  all: () => Promise<T[]>;
  put: (one: T) => Promise<void>;
  remove: (id: string) => Promise<void>;
  /** Tells when another tab changed it. */
  listen: (changed: () => void) => void;
}

const DATABASE = "zesty-ember";
const STORE = "reports";
const PAGES = "pages";
const VERSION = 1;

interface Row<T> {
  box: string;
  id: string;
  one: T;
}

let database: Promise<IDBPDatabase> | null = null;

const open = () => {
  database ??= openDB(DATABASE, VERSION, {
    upgrade: (db) => {
      const store = db.createObjectStore(STORE, { keyPath: "id" });
      store.createIndex("box", "box");
      db.createObjectStore(PAGES);
    },
  });
  return database;
};

/** A box in the browser's database; without a database it lasts as long as the page. `before` is the key
 * under which an earlier version kept it. */
export function browserBox<T extends { id: string }>(box: string, before: string): BoxStore<T> {
  const channel =
    typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel(`zesty-ember.${box}`);
  const memory = new Map<string, T>();
  const told = () => channel?.postMessage(null);
  const moved = open()
    .then((db) => moveOver<T>(db, box, before))
    .catch(() => undefined);
  return {
    all: async () => {
      await moved;
      try {
        const rows: Row<T>[] = await (await open()).getAllFromIndex(STORE, "box", box);
        const stored = rows.map((row) => [row.id, row.one] as const);
        return [...new Map([...stored, ...memory]).values()];
      } catch {
        return [...memory.values()];
      }
    },
    put: async (one) => {
      try {
        await (await open()).put(STORE, { box, id: one.id, one } satisfies Row<T>);
        memory.delete(one.id);
      } catch {
        // Kept for as long as the page is open.
        memory.set(one.id, one);
      }
      told();
    },
    remove: async (id) => {
      memory.delete(id);
      try {
        await (await open()).delete(STORE, id);
      } catch {
        // As above.
      }
      told();
    },
    listen: (changed) => {
      channel?.addEventListener("message", changed);
    },
  };
}

/** What waited when an earlier version was last open. */
async function moveOver<T extends { id: string }>(db: IDBPDatabase, box: string, before: string) {
  const text = localStorage.getItem(before);
  if (!text) return;
  const kept: unknown = JSON.parse(text);
  for (const one of Array.isArray(kept) ? kept : []) {
    const row: Row<T> = { box, id: one.id, one: { of: one.cook, ...one } };
    await db.put(STORE, row);
  }
  localStorage.removeItem(before);
}

/** Keeps something under a name. */
export async function keep(name: string, what: unknown): Promise<void> {
  try {
    await (await open()).put(PAGES, what, name);
  } catch {
    // A browser that keeps nothing still works while it is connected.
  }
}

/** The value kept under a name. */
export async function kept<T>(name: string): Promise<T | undefined> {
  try {
    return await (await open()).get(PAGES, name);
  } catch {
    return undefined;
  }
}

/** Forgets it. */
export async function forget(name: string): Promise<void> {
  try {
    await (await open()).delete(PAGES, name);
  } catch {
    // It was not kept.
  }
}

/** Forgets everything that is kept, and what waits. */
export async function forgetAll(): Promise<void> {
  try {
    const db = await open();
    await Promise.all([db.clear(STORE), db.clear(PAGES)]);
  } catch {
    // Nothing was kept.
  }
}
