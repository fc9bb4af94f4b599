// Every method of preparing the meat of a sentence, the usual ones and the cook's own.
import { useQuery } from "@tanstack/react-query";
import { methodsQuery, preparationQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { ownFor } from "./method";

/** `said`: whether the sentence counts with what it says itself, and not with one of those that have a name. */
export function useMethods(request: Request, said: boolean) {
  // The methods are of the cut, not of the method that is chosen.
  const { ahead: _ahead, method: _method, ...named } = request;
  const bare = said ? request : named;
  const kept = useQuery(methodsQuery());
  const own = ownFor(
    request,
    (kept.data?.items ?? []).map((one) => one.method),
  );
  const prep = useQuery(preparationQuery(bare, own));
  return { kept: kept.data?.items ?? [], own, prep: prep.data, methods: prep.data?.methods ?? [] };
}
