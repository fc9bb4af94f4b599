// Reports of a cook: sent at once with a connection, later without.
import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { ApiFailure } from "../../api/client";
import { cookChanged, sendReport } from "../../api/queries";
import type { Happening } from "../../api/types";
import { browserBox } from "../../lib/boxStore";
import { type Kept, Outbox } from "../../lib/outbox";

/** Where answers go, once the application runs. */
let queries: QueryClient | null = null;
const box = browserBox<Kept<Happening>>("cooks", "zesty-ember.outbox");

export const cookReports = new Outbox<Happening>("cooks", box, async (kept) => {
  try {
    const cook = await sendReport(kept.of, {
      id: kept.id,
      ago_s: Math.min(86_400, Math.max(0, (Date.now() - kept.at) / 1000)),
      happening: kept.happening,
    });
    if (queries) cookChanged(queries, cook);
    return "sent";
  } catch (error) {
    if (error instanceof ApiFailure && !error.isPassing) return { refused: error.message };
    return "later";
  }
});

/** All reports of cooks that wait to be sent. */
export function useWaiting() {
  queries = useQueryClient();
  return useSyncExternalStore(cookReports.subscribe, cookReports.waiting);
}

/** Reports of one cook that wait or were refused, and a way to add one. */
export function useReports(cook: string) {
  const own = useWaiting().filter((report) => report.of === cook);
  return {
    waiting: own.filter((report) => report.refused === undefined),
    refused: own.filter((report) => report.refused !== undefined),
    report: (happening: Happening) =>
      cookReports.add({ id: crypto.randomUUID(), of: cook, at: Date.now(), happening }),
  };
}
