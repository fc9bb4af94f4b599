// Every method of preparing the meat of a sentence, the usual ones and the cook's own.
import { useQuery } from "@tanstack/react-query";
import { methodsQuery, preparationQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { ownFor } from "./method";

export function useMethods(request: Request) {
  // The methods are of the cut, not of the method that is chosen.
  const { ahead: _ahead, method: _method, ...bare } = request;
  const kept = useQuery(methodsQuery());
  const own = ownFor(
    request,
    (kept.data?.items ?? []).map((one) => one.method),
  );
  const prep = useQuery(preparationQuery(bare, own));
  return { kept: kept.data?.items ?? [], own, prep: prep.data, methods: prep.data?.methods ?? [] };
}
