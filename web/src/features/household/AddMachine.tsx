// A machine by its kind and its capacity, as the label gives it; or measured.

import { Flex, Input, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { addMachine, machinesQuery, typicalMachine } from "../../api/queries";
import { reader } from "../../api/reader";
import type { Machine } from "../../api/types";
import { optionsOf, Pick } from "../../components/Pick";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { KINDS } from "../../domain/kinds";
import { useSettings } from "../../domain/settings";
import { useIdentity } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { volume } from "../../lib/units";

type Kind = Machine["kind"];

const USUAL_CAPACITY = 5.5;

export function AddMachine() {
  const units = useSettings();
  const queries = useQueryClient();
  const [kind, setKind] = useState<Kind>("drawer");
  const [typed, setTyped] = useState(() => volume(USUAL_CAPACITY, units));
  const id = useIdentity([kind, typed]);
  const add = useMutation({
    mutationFn: async () =>
      addMachine(id, await typicalMachine(kind, await reader("capacity_l", units)(typed))),
    onSuccess: () => void queries.invalidateQueries({ queryKey: machinesQuery().queryKey }),
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <Flex gap="3" wrap="wrap" align="center">
        <Pick
          w="auto"
          label="Kind of machine"
          value={kind}
          options={optionsOf(KINDS, capital)}
          onPick={(picked) => picked && setKind(picked)}
        />
        <Input
          aria-label="Capacity, as the label gives it"
          aria-invalid={add.error !== null}
          w="28"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Action type="submit" look="solid" disabled={add.isPending}>
          Add machine
        </Action>
        <PlaceLink to="/kitchen/new" textDecoration="underline" textUnderlineOffset="3px">
          Measure it
        </PlaceLink>
      </Flex>
      {add.error ? (
        <Text role="alert" color="beet" textStyle="small" mt="1">
          {add.error.message}
        </Text>
      ) : null}
    </form>
  );
}
