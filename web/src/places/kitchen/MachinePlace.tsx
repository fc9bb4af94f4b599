// One machine: its sentence, drawn to scale while it changes.

import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useParams, useSearch } from "@tanstack/react-router";
import { ApiFailure, failed } from "../../api/client";
import { addMachine, catalogueQuery, machinesQuery, replaceMachine } from "../../api/queries";
import type { Machine, OwnMachine } from "../../api/types";
import { Empty, Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { isMachine } from "../../domain/schemas";
import { useSettings } from "../../domain/settings";
import { Undecided, useMerging } from "../../domain/useMerging";
import { useDraft } from "../../lib/draft";
import { useIdentity } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { Drawings } from "./Drawings";
import { MachineSentence } from "./MachineSentence";

/** A machine of the kitchen that is changed. */
export function MachinePlace() {
  const { id } = useParams({ from: "/kitchen/$id" });
  const machines = useQuery(machinesQuery());
  if (machines.isError && !machines.data) {
    return <Trouble onRetry={() => void machines.refetch()}>{machines.error.message}</Trouble>;
  }
  if (!machines.data) return <Waiting>Loading…</Waiting>;
  const own = machines.data.items.find((known) => known.id === id);
  if (!own) {
    return (
      <Empty title="No such machine">
        It may have been deleted. <PlaceLink to="/kitchen">Back to the kitchen</PlaceLink>
      </Empty>
    );
  }
  return (
    <Editor
      key={id}
      id={id}
      saved={own.machine}
      seen={own}
      keep={(machine, _, revision) => replaceMachine({ id: own.id, revision }, machine)}
    />
  );
}

/** A machine that is not in the kitchen yet, begun from a typical one. */
export function NewMachinePlace() {
  const { like } = useSearch({ from: "/kitchen/new" });
  const catalogue = useQuery(catalogueQuery());
  if (catalogue.isError && !catalogue.data) {
    return <Trouble onRetry={() => void catalogue.refetch()}>{catalogue.error.message}</Trouble>;
  }
  if (!catalogue.data) return <Waiting>Loading…</Waiting>;
  const presets = catalogue.data.machine_presets;
  const preset = presets.find((known) => known.id === like) ?? presets[0];
  if (!preset) return <Trouble>The catalogue is empty.</Trouble>;
  return (
    <Editor
      key={preset.id}
      id={`new-${preset.id}`}
      saved={{ ...preset.machine, name: `my ${preset.machine.name.replace(/^(the|an?) /, "")}` }}
      keep={(machine, id) => addMachine(id, machine)}
      fresh
    />
  );
}

interface EditorProps {
  id: string;
  saved: Machine;
  /** The machine that is changed; undefined for a new one. */
  seen?: OwnMachine;
  keep: (machine: Machine, id: string, revision: number) => Promise<unknown>;
  fresh?: boolean;
}

/** Racks are sorted when the machine is saved; while they are typed none moves under the finger. */
const inOrder = (machine: Machine): Machine => ({
  ...machine,
  racks_mm: machine.racks_mm?.toSorted((a, b) => a - b),
});

function Editor({ id, saved, seen, keep, fresh = false }: EditorProps) {
  const units = useSettings();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [machine, setMachine, changed] = useDraft(`machine-${id}`, saved, isMachine);
  usePageTitle(`Kitchen: ${machine.name}`);
  const identity = useIdentity(machine);
  const merging = useMerging(
    {
      seen: { revision: seen?.revision ?? 0, document: saved },
      editing: changed,
      of: `machine ${id}`,
    },
    (revision, document) => keep(document, identity, revision),
    (current) => {
      const own = current as OwnMachine;
      return { revision: own.revision, document: own.machine };
    },
    (decided) => {
      setMachine(decided);
      keeping.mutate(decided);
    },
  );
  const keeping = useMutation({
    mutationFn: (wanted: Machine) => merging.save(inOrder(wanted)),
    onSuccess: async () => {
      setMachine(null);
      await queries.invalidateQueries({ queryKey: machinesQuery().queryKey });
      void navigate({ to: "/kitchen" });
    },
  });
  const problem = keeping.error instanceof ApiFailure ? keeping.error.problem : null;
  return (
    <Box pt="2">
      <Text as="h1" srOnly>
        {machine.name}
      </Text>
      <MachineSentence
        machine={machine}
        units={units}
        wrong={problem?.field}
        onChange={(change) => {
          keeping.reset();
          setMachine({ ...machine, ...change });
        }}
      />
      {merging.screen}
      {keeping.error && !(keeping.error instanceof Undecided) ? (
        <Text
          role="alert"
          textStyle="line"
          color="beet"
          fontWeight="600"
          mt="2"
          borderTop="2px solid"
          borderColor="beet"
          pt="2"
          maxW="sentence"
        >
          {failed(keeping.error, units)}
        </Text>
      ) : null}
      <Flex gap="2.5" mt="4" mb="6" wrap="wrap" align="center">
        <Action
          type="button"
          look="solid"
          disabled={keeping.isPending || !(changed || fresh)}
          onClick={() => keeping.mutate(machine)}
        >
          {fresh ? "Add machine" : "Save"}
        </Action>
        {changed ? (
          <Action
            type="button"
            onClick={() => {
              keeping.reset();
              setMachine(null);
            }}
          >
            Undo the changes
          </Action>
        ) : null}
        <PlaceLink
          to="/kitchen"
          textStyle="button"
          textDecoration="underline"
          textUnderlineOffset="3px"
          px="2"
        >
          Back to the kitchen
        </PlaceLink>
      </Flex>
      <Drawings machine={inOrder(machine)} units={units} />
    </Box>
  );
}
