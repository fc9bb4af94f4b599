// Reporting what happened at the fryer: at once where there is a connection, later where not.
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { ApiFailure } from "../../api/client";
import { cookChanged, sendReport } from "../../api/queries";
import type { Cook, Happening } from "../../api/types";
import { type Kept, Outbox } from "../../lib/outbox";

type Listener = (cook: Cook | null, refused: string | null) => void;

const listeners = new Set<Listener>();

const outbox = new Outbox<Happening>(
  "zesty-ember.outbox",
  localStorage,
  async (kept: Kept<Happening>) => {
    try {
      const cook = await sendReport(kept.of, {
        id: kept.id,
        ago_s: Math.min(86_400, Math.max(0, (Date.now() - kept.at) / 1000)),
        happening: kept.happening,
      });
      for (const listener of listeners) listener(cook, null);
      return "sent";
    } catch (error) {
      if (error instanceof ApiFailure && !error.isPassing) {
        for (const listener of listeners) listener(null, error.message);
        return "refused";
      }
      return "later";
    }
  },
);

/** How often waiting reports are tried again, ms. */
const AGAIN = 3_000;

/** Reports of a cook that wait to be sent, and a way to add one. */
export function useReports(cook: string, onRefused: (message: string) => void) {
  const queries = useQueryClient();
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.waiting);
  useEffect(() => {
    const listener: Listener = (changed, refused) => {
      if (changed) cookChanged(queries, changed);
      if (refused) onRefused(refused);
    };
    listeners.add(listener);
    return () => {
      listeners.delete(listener);
    };
  }, [queries, onRefused]);
  useEffect(() => {
    const again = () => void outbox.flush();
    again();
    const timer = setInterval(again, AGAIN);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, []);
  return {
    waiting: waiting.filter((report) => report.of === cook),
    report: (happening: Happening) =>
      outbox.add({ id: crypto.randomUUID(), of: cook, at: Date.now(), happening }),
  };
}
