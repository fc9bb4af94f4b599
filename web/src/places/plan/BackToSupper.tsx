// The plan of a dish goes back into its supper, with everything that was changed.
import { Box, Flex } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { changeSupper, keptSupperQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { isSupper } from "../../domain/schemas";
import { DRAFT, IN_HAND, withDish } from "../../features/supper/document";
import { readDraft, writeDraft } from "../../lib/draft";

interface BackToSupperProps {
  request: Request;
  of: { supper: string; dish: number };
  disabled: boolean;
}

export function BackToSupper({ request, of, disabled }: BackToSupperProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const kept = of.supper !== IN_HAND;
  const back = () =>
    void (kept
      ? navigate({ to: "/supper/$id", params: { id: of.supper } })
      : navigate({ to: "/supper" }));
  const put = useMutation({
    mutationFn: async () => {
      if (kept) {
        const known = await queries.fetchQuery(keptSupperQuery(of.supper));
        const changed = await changeSupper(known, withDish(known.supper, of.dish, request));
        queries.setQueryData(keptSupperQuery(of.supper).queryKey, changed);
        return;
      }
      const supper = readDraft(DRAFT, isSupper);
      if (!supper?.dishes[of.dish]) throw new Error("The supper it belonged to is gone.");
      writeDraft(DRAFT, withDish(supper, of.dish, request));
    },
    onSuccess: back,
  });
  return (
    <Box mt="1" className="no-print" flexShrink={{ base: 1, lg: 0 }}>
      <Flex gap="2.5" wrap="wrap">
        <Action
          type="button"
          look="solid"
          disabled={disabled || put.isPending}
          onClick={() => put.mutate()}
        >
          Save to supper
        </Action>
        <Action type="button" look="plain" onClick={back}>
          Cancel
        </Action>
      </Flex>
      {put.error ? (
        <Box mt="3">
          <Trouble>{put.error.message} Nothing you entered is lost.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}
