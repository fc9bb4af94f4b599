// From a sentence to a cook: begun at once, or kept for later.
import { Box, Flex } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { cookChanged, keepCook } from "../../api/queries";
import type { Request } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { isSupper } from "../../domain/schemas";
import { useStart } from "../../features/course/useStart";
import { DRAFT, emptySupper, withCook } from "../../features/supper/document";
import { zone } from "../../lib/clock";
import { readDraft, writeDraft } from "../../lib/draft";
import { useIdentity } from "../../lib/hooks";
import { CopyLink } from "./CopyLink";

interface KeepProps {
  request: Request;
  /** When it is to be on the table. */
  eatAt: Date | null;
  disabled: boolean;
}

export function Keep({ request, eatAt, disabled }: KeepProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const id = useIdentity([request, eatAt]);
  const keep = useMutation({
    mutationFn: () => keepCook(id, request, eatAt),
    onSuccess: (cook) => {
      cookChanged(queries, cook);
      void navigate({ to: "/" });
    },
  });
  const start = useStart();
  const error = keep.error ?? start.error;
  return (
    <Box mt="1" className="no-print" flexShrink={{ base: 1, lg: 0 }}>
      <Flex gap="2.5" wrap="wrap">
        <Action
          look="solid"
          type="button"
          disabled={disabled || start.isPending}
          onClick={() => start.mutate({ id, request, eatAt })}
        >
          Start cooking
        </Action>
        <Action type="button" disabled={disabled || keep.isPending} onClick={() => keep.mutate()}>
          Save plan
        </Action>
        <Action
          type="button"
          look="plain"
          disabled={disabled}
          onClick={() => {
            const supper = readDraft(DRAFT, isSupper) ?? emptySupper(new Date(), zone());
            writeDraft(DRAFT, withCook(supper, request));
            void navigate({ to: "/supper" });
          }}
        >
          Add to supper
        </Action>
        <CopyLink request={request} disabled={disabled} />
      </Flex>
      {error ? (
        <Box mt="3">
          <Trouble>{error.message} Nothing you entered is lost.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}
