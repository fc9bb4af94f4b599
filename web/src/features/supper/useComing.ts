// Suppers that are coming or under way, the next to be served first.
import { useQuery } from "@tanstack/react-query";
import { suppersQuery } from "../../api/queries";

/** A supper is over so long after the table, ms. */
const OVER = 3_600_000;
/** Asked again this often, so that two devices agree, ms. */
const AGAIN = 30_000;

export function useComing(now: number) {
  const kept = useQuery({ ...suppersQuery(), refetchInterval: AGAIN });
  const serve = (one: { plan: { serve_at: string } }) => new Date(one.plan.serve_at).getTime();
  return (
    (kept.data ?? [])
      // One that does not go is not followed, unless it is under way.
      .filter(
        (one) =>
          serve(one) > now - OVER && (!one.plan.binding || (one.supper.begun ?? []).length > 0),
      )
      .sort((a, b) => serve(a) - serve(b))
  );
}
