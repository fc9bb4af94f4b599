// A supper in its place: at once with what is found at once of what would make it work, then with everything.
import { useQuery } from "@tanstack/react-query";
import { supperQuery } from "../../api/queries";
import type { Supper } from "../../api/types";

export function useSupperPlan(supper: Supper) {
  const enabled = supper.dishes.length > 0;
  const first = useQuery({ ...supperQuery(supper, "first"), enabled });
  const more = enabled && !first.isPlaceholderData && first.data?.more === true;
  const all = useQuery({ ...supperQuery(supper, "all"), enabled: more });
  const found = more && all.data && !all.isPlaceholderData ? all.data : first.data;
  return { ...first, data: found };
}
