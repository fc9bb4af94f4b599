// Reports of a supper: begun, done, or takes longer. The server plans the rest again around them. A report is
// kept in this browser until the server has it, and counts on the screen at once.
import { type QueryClient, useMutation, useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { ApiFailure } from "../../api/client";
import {
  answered,
  changeSupper,
  cookChanged,
  cookQuery,
  keptSupperQuery,
  SUPPER_LISTS,
  sendSupperReport,
} from "../../api/queries";
import type { KeptSupper } from "../../api/types";
import { Undecided, useMerging } from "../../domain/useMerging";
import { browserBox } from "../../lib/boxStore";
import { type Kept, Outbox } from "../../lib/outbox";
import type { Moment } from "./Agenda";
import { type Happened, inWords, type Told, taskOf, withWaiting } from "./next";

/** Where answers go, once the application runs. */
let client: QueryClient | null = null;
/** Whether the last try reached the server. */
let reached = true;

const box = browserBox<Kept<Happened>>("suppers", "zesty-ember.suppers");

export const supperReports = new Outbox<Happened>("suppers", box, async (kept) => {
  try {
    const changed = await sendSupperReport(kept.of, {
      ...kept.happening,
      id: kept.id,
      ago_s: Math.min(86_400, Math.max(0, (Date.now() - kept.at) / 1000)),
    });
    reached = true;
    if (client) await taken(client, changed);
    return "sent";
  } catch (error) {
    if (error instanceof ApiFailure && !error.isPassing) {
      if (client) void client.invalidateQueries({ queryKey: ["suppers"] });
      return { refused: error.message };
    }
    reached = false;
    return "later";
  }
});

/** Between two tries to reach the server, ms. */
const AGAIN = 3_000;

/** An answer counts at once, with the cooks that follow its dishes now; the lists are read again. */
async function taken(queries: QueryClient, changed: KeptSupper) {
  const known = queries.getQueryData(keptSupperQuery(changed.id).queryKey);
  const before = known?.cooks.map((one) => one.cook) ?? [];
  const news = changed.cooks.filter((one) => !before.includes(one.cook));
  for (const { cook } of news) {
    const begun = await queries.fetchQuery(cookQuery(cook)).catch(() => null);
    if (begun) cookChanged(queries, begun);
  }
  answered(queries, keptSupperQuery(changed.id).queryKey, changed);
  void queries.invalidateQueries({ queryKey: SUPPER_LISTS });
}

export function useTelling(kept: KeptSupper) {
  const queries = useQueryClient();
  client = queries;
  const all = useSyncExternalStore(supperReports.subscribe, supperReports.waiting);
  const own = all.filter((one) => one.of === kept.id);
  const waiting = own.filter((one) => one.refused === undefined);
  const refused = own.find((one) => one.refused !== undefined);
  const merging = useMerging(
    {
      seen: { revision: kept.revision, document: kept.supper },
      editing: false,
      of: `supper ${kept.id}`,
    },
    (revision, supper) => changeSupper({ id: kept.id, revision }, supper),
    (current) => {
      const own = current as KeptSupper;
      return { revision: own.revision, document: own.supper };
    },
    (decided) => change.mutate(decided),
  );
  const change = useMutation({
    mutationFn: merging.save,
    // One after the other; sent again until the server answers.
    scope: { id: `supper ${kept.id}` },
    retry: (_, error) => error instanceof ApiFailure && error.isPassing,
    retryDelay: AGAIN,
    onSuccess: (changed) => void taken(queries, changed),
    // Another device changed it: the stored version is shown, to be changed again.
    onError: () => void queries.invalidateQueries({ queryKey: keptSupperQuery(kept.id).queryKey }),
  });
  // The wanted version is shown, also while it is refused, with the reports that came meanwhile.
  const wanted = change.isPending
    ? change.variables
    : change.isError
      ? { ...change.variables, begun: kept.supper.begun }
      : kept.supper;
  const supper = withWaiting(wanted, kept.plan, waiting);
  // The last report in force.
  const undone = new Set(waiting.map((one) => one.happening.event));
  const here = waiting.findLast((one) => one.happening.what !== "undone" && !undone.has(one.id));
  const there = kept.last && !undone.has(kept.last.id) ? kept.last : null;
  const last = here ? { id: here.id, ...here.happening } : there;
  const lost =
    change.isPaused ||
    (change.isPending && change.failureCount > 0) ||
    (waiting.length > 0 && !reached);
  const changing = change.error instanceof Undecided ? null : change.error;
  const error = changing ?? (refused?.refused ? new Error(refused.refused) : null);
  return {
    supper,
    change: change.mutate,
    /** Both versions, where another device changed the same. */
    screen: merging.screen,
    /** An answer is on its way; where the server does not answer, telling goes on without it. */
    busy: change.isPending && !lost,
    /** Number of reports that wait for a server that does not answer. */
    unsent: lost ? waiting.length + (change.isPending ? 1 : 0) : 0,
    error,
    problem: error instanceof ApiFailure ? error.problem : null,
    /** What can be taken back, in words. */
    last: last ? inWords(kept.plan, last) : null,
    undo: () => {
      if (!last) return;
      const { dish, task, moment } = last;
      supperReports.add({
        id: crypto.randomUUID(),
        of: kept.id,
        at: Date.now(),
        happening: { dish, task, moment, what: "undone", event: last.id },
      });
    },
    /** Forgets what was refused. */
    dismiss: () => refused && supperReports.dismiss(refused.id),
    tell: (moment: Moment, what: Told) =>
      supperReports.add({
        id: crypto.randomUUID(),
        of: kept.id,
        at: Date.now(),
        happening: { ...taskOf(kept.plan, moment), moment: moment.moment, what },
      }),
  };
}
