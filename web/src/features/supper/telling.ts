// Telling a supper what has begun, is done, or takes longer: the rest is planned anew around it.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiFailure } from "../../api/client";
import { changeSupper, keptSupperQuery, suppersQuery } from "../../api/queries";
import type { KeptSupper, Supper } from "../../api/types";
import type { Moment } from "./Agenda";
import { type Told, told } from "./next";

/** Between two tries to reach the server, ms. */
const AGAIN = 3_000;

export function useTelling(kept: KeptSupper) {
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: (supper: Supper) => changeSupper(kept.id, supper),
    // One after the other, each with everything told before it; sent again until the server answers.
    scope: { id: `supper ${kept.id}` },
    retry: (_, error) => error instanceof ApiFailure && error.isPassing,
    retryDelay: AGAIN,
    onSuccess: (changed) => {
      queries.setQueryData(keptSupperQuery(kept.id).queryKey, changed);
      // In the list at once, so that nothing steps back until it is read again.
      queries.setQueryData(suppersQuery().queryKey, (rows) =>
        rows?.map((one) => (one.id === changed.id ? changed : one)),
      );
    },
  });
  // Shown as it was wanted, also while it is refused.
  const supper = change.isPending || change.isError ? change.variables : kept.supper;
  const lost = change.isPaused || (change.isPending && change.failureCount > 0);
  return {
    supper,
    change: change.mutate,
    /** An answer is on its way; where the server does not answer, telling goes on without it. */
    busy: change.isPending && !lost,
    lost,
    error: change.error,
    problem: change.error instanceof ApiFailure ? change.error.problem : null,
    tell: (moment: Moment, what: Told) =>
      change.mutate(told(supper, kept.plan, moment, what, Date.now())),
  };
}
