// Telling a supper what has begun, is done, or takes longer: the rest is planned anew around it. What
// is told is kept in this browser until the server has it, and counts on the screen at once.
import { type QueryClient, useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import { ApiFailure } from "../../api/client";
import { changeSupper, keptSupperQuery, SUPPER_LISTS, sendSupperReport } from "../../api/queries";
import type { KeptSupper, Supper } from "../../api/types";
import { Outbox } from "../../lib/outbox";
import type { Moment } from "./Agenda";
import { type Happened, type Told, taskOf, withWaiting } from "./next";

type Listener = (changed: KeptSupper | null, refused: ApiFailure | null) => void;

const listeners = new Set<Listener>();
/** Whether the last try reached the server. */
let reached = true;

const outbox = new Outbox<Happened>("zesty-ember.suppers", localStorage, async (kept) => {
  try {
    const changed = await sendSupperReport(kept.of, {
      ...kept.happening,
      id: kept.id,
      ago_s: Math.min(86_400, Math.max(0, (Date.now() - kept.at) / 1000)),
    });
    reached = true;
    for (const listener of listeners) listener(changed, null);
    return "sent";
  } catch (error) {
    if (error instanceof ApiFailure && !error.isPassing) {
      for (const listener of listeners) listener(null, error);
      return "refused";
    }
    reached = false;
    return "later";
  }
});

/** Between two tries to reach the server, ms. */
const AGAIN = 3_000;

/** An answer counts at once; the lists are read again. */
function taken(queries: QueryClient, changed: KeptSupper) {
  queries.setQueryData(keptSupperQuery(changed.id).queryKey, changed);
  void queries.invalidateQueries({ queryKey: SUPPER_LISTS });
}

export function useTelling(kept: KeptSupper) {
  const queries = useQueryClient();
  const all = useSyncExternalStore(outbox.subscribe, outbox.waiting);
  const waiting = all.filter((one) => one.of === kept.id);
  const change = useMutation({
    mutationFn: (supper: Supper) => changeSupper(kept, supper),
    // One after the other; sent again until the server answers.
    scope: { id: `supper ${kept.id}` },
    retry: (_, error) => error instanceof ApiFailure && error.isPassing,
    retryDelay: AGAIN,
    onSuccess: (changed) => taken(queries, changed),
    // Somebody else changed it: what stands there now is shown, to be changed again.
    onError: () => void queries.invalidateQueries({ queryKey: keptSupperQuery(kept.id).queryKey }),
  });
  const report = useMutation({ mutationFn: (error: ApiFailure) => Promise.reject(error) });
  const refuse = report.mutate;
  useEffect(() => {
    const listener: Listener = (changed, refused) => {
      if (changed) taken(queries, changed);
      if (refused) {
        refuse(refused);
        void queries.invalidateQueries({ queryKey: ["suppers"] });
      }
    };
    listeners.add(listener);
    const again = () => void outbox.flush();
    again();
    const timer = setInterval(again, AGAIN);
    window.addEventListener("online", again);
    return () => {
      listeners.delete(listener);
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [queries, refuse]);
  // Shown as it was wanted, also while it is refused; what has begun meanwhile has begun.
  const wanted = change.isPending
    ? change.variables
    : change.isError
      ? { ...change.variables, begun: kept.supper.begun }
      : kept.supper;
  const supper = withWaiting(wanted, kept.plan, waiting);
  const lost =
    change.isPaused ||
    (change.isPending && change.failureCount > 0) ||
    (waiting.length > 0 && !reached);
  const error = change.error ?? report.error;
  return {
    supper,
    change: change.mutate,
    /** An answer is on its way; where the server does not answer, telling goes on without it. */
    busy: change.isPending && !lost,
    lost,
    error,
    problem: error instanceof ApiFailure ? error.problem : null,
    tell: (moment: Moment, what: Told) =>
      outbox.add({
        id: crypto.randomUUID(),
        of: kept.id,
        at: Date.now(),
        happening: { ...taskOf(kept.plan, moment), moment: moment.moment, what },
      }),
  };
}
