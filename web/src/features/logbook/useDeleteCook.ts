import { useQueryClient } from "@tanstack/react-query";
import { cookChanged, deleteCook, restoreCook } from "../../api/queries";
import { useDelete } from "../../components/useDelete";

/** A cook goes, and comes back with one word. */
export function useDeleteCook() {
  const queries = useQueryClient();
  return useDelete({
    remove: (cook: { id: string; name: string }) => deleteCook(cook.id),
    restore: (cook) => restoreCook(cook.id),
    changed: () => cookChanged(queries, null),
    told: (cook) => `“${cook.name}” is deleted.`,
  });
}
