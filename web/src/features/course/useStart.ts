// A cook begun at once: kept, started, and followed at the fryer.
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { cookChanged, keepCook, sendReport } from "../../api/queries";
import type { Cook, Request } from "../../api/types";

interface Started {
  /** Identity of the cook: started twice, it is the same one. */
  id: string;
  request: Request;
  eatAt: Date | null;
}

/** Keeps a cook and starts it, once, however often it is asked for. */
export async function startCook({ id, request, eatAt }: Started): Promise<Cook> {
  const cook = await keepCook(id, request, eatAt);
  return cook.started_at
    ? cook
    : sendReport(cook.id, {
        id: crypto.randomUUID(),
        ago_s: 0,
        happening: { kind: "started" },
      });
}

export function useStart() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: startCook,
    onSuccess: (cook) => {
      cookChanged(queries, cook);
      void navigate({ to: "/fryer/$id", params: { id: cook.id } });
    },
  });
}
