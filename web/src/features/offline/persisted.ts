// Answers that are kept in this browser, so that a cook goes on from cold without a network.
import type { QueryClient } from "@tanstack/react-query";
import {
  type PersistedClient,
  type Persister,
  persistQueryClientRestore,
  persistQueryClientSubscribe,
} from "@tanstack/react-query-persist-client";
import { forget, keep, kept } from "../../lib/boxStore";

const KEY = "answers";
/** Older than this a cook is over, ms. */
const LONGEST = 3 * 86_400_000;
/** Answers of another shape are read again from the server; counted up when one of those below changes. */
const SHAPE = "3";
/** Changes of a moment are written once, ms. */
const TOGETHER = 1_000;
/** A browser whose disk stands still is not waited for longer, ms. */
const PATIENCE = 1_500;
/** Answers that a cook under way needs, by the beginning of their key. */
const NEEDED = new Set(["cook", "cooks", "suppers", "catalogue", "machines", "household"]);

let timer: ReturnType<typeof setTimeout> | undefined;
let newest: PersistedClient | undefined;

const persister: Persister = {
  persistClient: (client) => {
    newest = client;
    // The answers are written a moment after the first change, however many follow.
    if (timer !== undefined) return;
    timer = setTimeout(() => {
      timer = undefined;
      void keep(KEY, newest);
    }, TOGETHER);
  },
  restoreClient: () => kept<PersistedClient>(KEY),
  removeClient: () => forget(KEY),
};

/** Brings back what was kept, and keeps what comes. */
export async function keepAnswers(queryClient: QueryClient) {
  const options = {
    queryClient,
    persister,
    maxAge: LONGEST,
    buster: SHAPE,
    dehydrateOptions: {
      shouldDehydrateQuery: (query: { queryKey: readonly unknown[]; state: { data: unknown } }) =>
        NEEDED.has(String(query.queryKey[0])) && query.state.data !== undefined,
    },
  };
  // An answer that cannot be read is asked for again; a late one counts unless a newer one is known.
  const restored = persistQueryClientRestore(options).catch(() => undefined);
  await Promise.race([restored, new Promise((go) => setTimeout(go, PATIENCE))]);
  // It is shown and read again at once: it may be older than the last change.
  await queryClient.invalidateQueries({ refetchType: "none" });
  persistQueryClientSubscribe(options);
}
