// A planned cook is planned anew, with everything that was changed.
import { Box, Flex } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { changeCook, cookChanged, cookQuery } from "../../api/queries";
import type { Cook, Request } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { Undecided, useMerging, type Version } from "../../domain/useMerging";

interface SaveCookProps {
  id: string;
  request: Request;
  /** When it is to be on the table. */
  eatAt: Date | null;
  disabled: boolean;
}

/** What of a cook is planned anew. */
interface Wanted {
  request: Request;
  eat_at: string | null;
}

const versionOf = (cook: Cook): Version<Wanted> => ({
  revision: cook.revision,
  document: {
    request: cook.request,
    eat_at: cook.eat_at ? new Date(cook.eat_at).toISOString() : null,
  },
});

export function SaveCook({ id, request, eatAt, disabled }: SaveCookProps) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const back = () => void navigate({ to: "/" });
  const seen = useQuery(cookQuery(id)).data;
  const merging = useMerging(
    { seen: seen ? versionOf(seen) : null, editing: true, of: `cook ${id}` },
    (revision, wanted) =>
      changeCook(
        { id, revision },
        wanted.request,
        wanted.eat_at === null ? null : new Date(wanted.eat_at),
      ),
    (current) => versionOf(current as Cook),
    (decided) => save.mutate(decided),
  );
  const save = useMutation({
    mutationFn: merging.save,
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
          onClick={() => save.mutate({ request, eat_at: eatAt?.toISOString() ?? null })}
        >
          Save plan
        </Action>
        <Action type="button" look="plain" onClick={back}>
          Cancel
        </Action>
      </Flex>
      {merging.screen}
      {save.error && !(save.error instanceof Undecided) ? (
        <Box mt="3">
          <Trouble>{save.error.message} Nothing you changed is lost.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}
