// Telling a supper what has begun, is done, or takes longer: the rest is planned anew around it.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { ApiFailure } from "../../api/client";
import { changeSupper, keptSupperQuery, suppersQuery } from "../../api/queries";
import type { KeptSupper, Supper } from "../../api/types";
import type { Moment } from "./Agenda";
import { type Told, told } from "./next";

export function useTelling(kept: KeptSupper) {
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: (supper: Supper) => changeSupper(kept.id, supper),
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
  return {
    supper,
    change: change.mutate,
    busy: change.isPending,
    error: change.error,
    problem: change.error instanceof ApiFailure ? change.error.problem : null,
    tell: (moment: Moment, what: Told) =>
      change.mutate(told(supper, kept.plan, moment, what, Date.now())),
  };
}
