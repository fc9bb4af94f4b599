// A planned cook is planned anew, with everything that was changed.
import { Box, Flex } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { changeCook, cookChanged, cookQuery } from "../../api/queries";
import type { Request } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";

interface SaveCookProps {
  id: string;
  request: Request;
  /** When it is to be on the table. */
  eatAt: Date | null;
  disabled: boolean;
}

export function SaveCook({ id, request, eatAt, disabled }: SaveCookProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const back = () => void navigate({ to: "/" });
  const save = useMutation({
    mutationFn: async () => changeCook(await queries.fetchQuery(cookQuery(id)), request, eatAt),
    onSuccess: (cook) => {
      cookChanged(queries, cook);
      back();
    },
  });
  return (
    <Box mt="1" className="no-print" flexShrink={{ base: 1, lg: 0 }}>
      <Flex gap="2.5" wrap="wrap">
        <Action
          type="button"
          look="solid"
          disabled={disabled || save.isPending}
          onClick={() => save.mutate()}
        >
          Save plan
        </Action>
        <Action type="button" look="plain" onClick={back}>
          Cancel
        </Action>
      </Flex>
      {save.error ? (
        <Box mt="3">
          <Trouble>{save.error.message} Nothing you changed is lost.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}
