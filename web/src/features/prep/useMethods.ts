// Every method of preparing the meat of a sentence, the methods and the cook's own, and which of them
// the sentence counts with.
import { useQuery } from "@tanstack/react-query";
import { methodsQuery, preparationQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { type Changed, chosenOf, ownFor } from "./method";

export function useMethods(request: Request, changed: Changed = {}) {
  // The methods are of the cut, not of the method that is chosen.
  const { ahead: _ahead, method: _method, ...bare } = request;
  const kept = useQuery(methodsQuery());
  const own = ownFor(
    request,
    (kept.data?.items ?? []).map((one) => one.method),
  );
  const prep = useQuery(preparationQuery(bare, own));
  const methods = prep.data?.methods ?? [];
  return {
    kept: kept.data?.items ?? [],
    own,
    prep: prep.data,
    methods,
    chosen: chosenOf(methods, request, changed),
  };
}
