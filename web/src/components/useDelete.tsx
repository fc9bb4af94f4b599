// Deleting with a way back instead of a question before.
import { Flex, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Trouble } from "./Notice";
import { Action } from "./recipes";

interface Deleting<T> {
  remove: (thing: T) => Promise<unknown>;
  restore: (thing: T) => Promise<unknown>;
  /** After either. */
  changed: () => void;
  /** The notice about a deleted thing. */
  told: (thing: T) => string;
}

export function useDelete<T>({ remove, restore, changed, told }: Deleting<T>) {
  const [gone, setGone] = useState<T | null>(null);
  const removing = useMutation({
    mutationFn: remove,
    onSuccess: (_, thing) => {
      setGone(thing);
      changed();
    },
  });
  const restoring = useMutation({
    mutationFn: restore,
    onSuccess: () => {
      setGone(null);
      changed();
    },
  });
  const error = removing.error ?? restoring.error;
  const notice = error ? (
    <Trouble>{error.message}</Trouble>
  ) : gone !== null ? (
    <Flex role="status" bg="well" borderRadius="field" px="4" py="1" mb="3" align="center" gap="3">
      <Text textStyle="body">{told(gone)}</Text>
      <Action type="button" look="plain" onClick={() => restoring.mutate(gone)}>
        Undo
      </Action>
    </Flex>
  ) : null;
  return { remove: removing.mutate, notice };
}
