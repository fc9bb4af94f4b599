// Two cooks that share a machine: started, saved or put into a supper together.
import { Flex } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { cookChanged, keepCook } from "../../api/queries";
import type { Request, Together } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { isSupper } from "../../domain/schemas";
import { startCook } from "../../features/course/useStart";
import { DRAFT, emptySupper, withCook } from "../../features/supper/document";
import { zone } from "../../lib/clock";
import { readDraft, writeDraft } from "../../lib/draft";
import { useIdentity } from "../../lib/hooks";

interface BothProps {
  first: Request;
  second: Request;
  shared: Together;
}

export function Both({ first, second, shared }: BothProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const ids = [useIdentity([first, 1]), useIdentity([second, 2])];
  const requests = [first, second];
  // Whichever goes in later waits for the other in the list of what is ready to start.
  const now = (n: number) => (shared.starts_s[n] ?? 0) < 60;
  const keep = useMutation({
    mutationFn: async (start: boolean) => {
      for (const [n, request] of requests.entries()) {
        const id = ids[n] ?? crypto.randomUUID();
        const cook =
          start && now(n)
            ? await startCook({ id, request, eatAt: null })
            : await keepCook(id, request, null);
        cookChanged(queries, cook);
      }
      return start;
    },
    onSuccess: (started) => void navigate({ to: started ? "/fryer" : "/" }),
  });
  const toSupper = () => {
    const supper = readDraft(DRAFT, isSupper) ?? emptySupper(new Date(), zone());
    writeDraft(DRAFT, withCook(withCook(supper, first), second));
    void navigate({ to: "/supper" });
  };
  return (
    <>
      <Flex gap="2.5" wrap="wrap" mt="2" className="no-print">
        <Action
          type="button"
          look="solid"
          disabled={keep.isPending}
          onClick={() => keep.mutate(true)}
        >
          {now(0) && now(1) ? "Start both" : "Start the first, save the second"}
        </Action>
        <Action type="button" disabled={keep.isPending} onClick={() => keep.mutate(false)}>
          Save both
        </Action>
        <Action type="button" look="plain" onClick={toSupper}>
          Add both to supper
        </Action>
      </Flex>
      {keep.error ? <Trouble>{keep.error.message} Nothing you entered is lost.</Trouble> : null}
    </>
  );
}
