// Suppers that are coming or under way, the next to be served first.
import { useQueries, useQuery } from "@tanstack/react-query";
import { keptSupperQuery, suppersQuery } from "../../api/queries";
import type { KeptSupper } from "../../api/types";

/** A supper is over this long after its serving time, ms. */
const OVER = 3_600_000;
/** Asked again this often, so that two devices agree, ms. */
const AGAIN = 30_000;
/** Suppers looked through: a kitchen plans three days ahead. */
const LOOKED_AT = 50;

export function useComing(now: number): KeptSupper[] {
  const list = useQuery({ ...suppersQuery(1, LOOKED_AT), refetchInterval: AGAIN });
  const serve = (one: { serve_at: string }) => new Date(one.serve_at).getTime();
  const coming = (list.data?.items ?? [])
    // One that does not go is not followed, unless it is under way.
    .filter((one) => serve(one) > now - OVER && (one.feasible || one.under_way));
  return useQueries({
    queries: coming.map((one) => ({ ...keptSupperQuery(one.id), refetchInterval: AGAIN })),
    combine: (known) =>
      known
        .flatMap(({ data }) => (data ? [data] : []))
        .sort((a, b) => serve(a.plan) - serve(b.plan)),
  });
}
