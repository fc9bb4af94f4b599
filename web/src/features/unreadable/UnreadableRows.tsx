// Stored documents that cannot be shown: each has its name, and can be exported or deleted.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { deleteStored, type StoredKind } from "../../api/queries";
import type { Unreadable } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";

interface UnreadableRowsProps {
  kind: StoredKind;
  rows: Unreadable[];
  onGone: () => void;
}

export function UnreadableRows({ kind, rows, onGone }: UnreadableRowsProps) {
  const gone = useMutation({
    mutationFn: (id: string) => deleteStored(kind, id),
    onSuccess: onGone,
  });
  if (rows.length === 0) return null;
  return (
    <Box as="ul" listStyleType="none" mt="3">
      {rows.map((row) => (
        <Flex
          as="li"
          key={row.id}
          gap="3"
          align="center"
          wrap="wrap"
          bg="well"
          borderRadius="field"
          px="3"
          py="1"
          mb="2"
        >
          <Text textStyle="body" flex="1" minW="0">
            <b>{row.name}</b> cannot be shown:{" "}
            {row.newer
              ? "a newer version of Zesty Ember saved it. Update this one to see it."
              : "the stored document is damaged."}
          </Text>
          <a href={`/api/stored/${kind}/${row.id}`} download aria-label={`Export ${row.name}`}>
            <Action as="span" look="plain">
              Export
            </Action>
          </a>
          <Action
            type="button"
            look="plain"
            aria-label={`Delete ${row.name}`}
            disabled={gone.isPending}
            onClick={() => gone.mutate(row.id)}
          >
            Delete
          </Action>
        </Flex>
      ))}
      {gone.error ? <Trouble>{gone.error.message}</Trouble> : null}
    </Box>
  );
}
