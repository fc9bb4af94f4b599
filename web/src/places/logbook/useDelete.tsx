// Deleting with a way back instead of a question before.
import { Flex, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { cookChanged, deleteCook, restoreCook } from "../../api/queries";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";

interface Named {
  id: string;
  name: string;
}

export function useDelete() {
  const queries = useQueryClient();
  const [gone, setGone] = useState<Named | null>(null);
  const remove = useMutation({
    mutationFn: (cook: Named) => deleteCook(cook.id),
    onSuccess: (_, cook) => {
      setGone(cook);
      cookChanged(queries, null);
    },
  });
  const restore = useMutation({
    mutationFn: (cook: Named) => restoreCook(cook.id),
    onSuccess: () => {
      setGone(null);
      cookChanged(queries, null);
    },
  });
  const error = remove.error ?? restore.error;
  const notice = error ? (
    <Trouble>{error.message}</Trouble>
  ) : gone ? (
    <Flex role="status" bg="well" borderRadius="field" px="4" py="1" mb="3" align="center" gap="3">
      <Text textStyle="body">“{gone.name}” is deleted.</Text>
      <Action type="button" look="plain" onClick={() => restore.mutate(gone)}>
        Undo
      </Action>
    </Flex>
  ) : null;
  return { remove: remove.mutate, notice };
}
