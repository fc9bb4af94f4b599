// Kitchen: the machines that are there, drawn to scale, and typical ones to begin from.

import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { failed } from "../../api/client";
import {
  catalogueQuery,
  deleteMachine,
  exportMachines,
  importMachines,
  learnedEffectQuery,
  learnedQuery,
  machinesQuery,
  restoreMachine,
} from "../../api/queries";
import type { LearnedMachine, Machine, MachinesDocument, OwnMachine } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { isMachines } from "../../domain/schemas";
import { useSettings } from "../../domain/settings";
import { Archive } from "../../features/access/Archive";
import { Household } from "../../features/access/Household";
import { Phone } from "../../features/access/Phone";
import { FloorThumb } from "../../features/basket/Floor";
import { AddMachine } from "../../features/household/AddMachine";
import { KitchenWords } from "../../features/household/KitchenWords";
import { OfMachine } from "../../features/learned/OfMachine";
import { Proposal } from "../../features/learned/Proposal";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { saveFile } from "../../lib/save";
import { usePageTitle } from "../../lib/title";
import type { Units } from "../../lib/units";
import { Recipes, Sides, Ways } from "./CardBox";
import { floorWords, machineWords } from "./Drawings";

export function KitchenPlace() {
  usePageTitle("Kitchen");
  const units = useSettings();
  const queries = useQueryClient();
  const machines = useQuery(machinesQuery());
  const learned = useQuery(learnedQuery());
  const effect = useQuery(learnedEffectQuery());
  const catalogue = useQuery(catalogueQuery());
  const changed = () => void queries.invalidateQueries({ queryKey: machinesQuery().queryKey });
  const deletion = useDelete({
    remove: deleteMachine,
    restore: restoreMachine,
    changed,
    told: (own: OwnMachine) => `“${own.machine.name}” is deleted.${keptBy(own.cooks)}`,
  });
  if (machines.isError && !machines.data) {
    return <Trouble onRetry={() => void machines.refetch()}>{machines.error.message}</Trouble>;
  }
  if (!machines.data) return <Waiting>Loading…</Waiting>;
  return (
    <Box pt="3">
      <Text as="h1" textStyle="title" mb="3">
        Your machines
      </Text>
      {deletion.notice}
      {machines.data.items.length === 0 ? (
        <Text textStyle="line" color="ink.say" maxW="reading" mb="4">
          None yet. Add yours below.
        </Text>
      ) : null}
      {effect.data?.proposal ? <Proposal proposal={effect.data.proposal} /> : null}
      <Box as="ul" listStyleType="none">
        {machines.data.items.map((own) => (
          <Row
            key={own.id}
            machine={own.machine}
            units={units}
            learned={learned.data?.machines.find((one) => one.machine === own.machine.name)}
          >
            <PlaceLink to="/kitchen/$id" params={{ id: own.id }} {...linkLook}>
              Change
            </PlaceLink>
            <Action
              type="button"
              look="plain"
              aria-label={`Delete ${own.machine.name}`}
              onClick={() => deletion.remove(own)}
            >
              Delete
            </Action>
          </Row>
        ))}
      </Box>
      <UnreadableRows kind="machines" rows={machines.data.unreadable} onGone={changed} />
      <Box borderTop="1px solid" borderColor="line" py="3">
        <Text textStyle="small" mb="2">
          Add one by its kind and the capacity on its label; measure it later for better minutes.
        </Text>
        <AddMachine />
      </Box>
      <Files onRead={changed} units={units} />
      <KitchenWords />
      <Household />
      <Phone />
      <Recipes />
      <Sides />
      <Ways catalogue={catalogue.data} />
      <Text as="h2" textStyle="section" mt="8" mb="2">
        Typical machines, to begin from
      </Text>
      <Grid
        as="ul"
        listStyleType="none"
        templateColumns="repeat(auto-fill, minmax(200px, 1fr))"
        gap="6"
      >
        {catalogue.data?.machine_presets.map(({ id, machine }) => (
          <Box as="li" key={id}>
            <Picture machine={machine} units={units} />
            <Text textStyle="body" fontWeight="650" mt="2">
              {machine.name}{" "}
              <Text as="span" color="ink.soft" fontWeight="400">
                · typical
              </Text>
            </Text>
            <Text textStyle="small" color="ink.soft">
              {machineWords(machine, units)}
            </Text>
            <PlaceLink
              to="/kitchen/new"
              search={{ like: id }}
              aria-label={`Begin from ${machine.name}`}
              {...linkLook}
              px="0"
            >
              Mine is like this
            </PlaceLink>
          </Box>
        ))}
      </Grid>
      <Archive />
    </Box>
  );
}

const keptBy = (cooks: number) =>
  cooks === 0
    ? ""
    : cooks === 1
      ? " One cook keeps it as it was."
      : ` ${cooks} cooks keep it as it was.`;

const linkLook = {
  textStyle: "button",
  textDecoration: "underline",
  textUnderlineOffset: "3px",
  px: "2",
  py: "2.5",
  display: "inline-block",
} as const;

interface RowProps {
  machine: Machine;
  units: Units;
  learned: LearnedMachine | undefined;
  children: ReactNode;
}

function Row({ machine, units, learned, children }: RowProps) {
  return (
    <Flex
      as="li"
      gap="5"
      align={learned ? "flex-start" : "center"}
      wrap={{ base: "wrap", md: "nowrap" }}
      borderTop="1px solid"
      borderColor="line"
      py="3"
    >
      <Box w="thumb" flexShrink="0">
        <Picture machine={machine} units={units} />
      </Box>
      <Box flex="1" minW="14rem">
        <Text as="h2" textStyle="line" fontWeight="650">
          {machine.name}
        </Text>
        <Text textStyle="small" color="ink.soft">
          {machineWords(machine, units)}
        </Text>
        {learned ? <OfMachine learned={learned} units={units} /> : null}
      </Box>
      <Flex gap="1" align="center">
        {children}
      </Flex>
    </Flex>
  );
}

const Picture = ({ machine, units }: { machine: Machine; units: Units }) => (
  <FloorThumb machine={machine} label={`${machine.name}: ${floorWords(machine, units)}`} />
);

/** Machines travel between kitchens as a document. */
function Files({ onRead, units }: { onRead: () => void; units: Units }) {
  const write = useMutation({
    mutationFn: exportMachines,
    onSuccess: (document) =>
      saveFile(JSON.stringify(document, null, 2), "application/json", "machines.json"),
  });
  const read = useMutation({
    mutationFn: async (chosen: File) => importMachines(parsed(await chosen.text(), chosen.name)),
    onSuccess: onRead,
  });
  const error = read.error ?? write.error;
  return (
    <Box borderTop="1px solid" borderColor="line" pt="3">
      <Flex gap="2" wrap="wrap" align="center">
        <Action type="button" look="plain" onClick={() => write.mutate()}>
          Save them as a file
        </Action>
        <FileButton label="File of machines" onFile={read.mutate}>
          Read them from a file
        </FileButton>
        {read.data ? (
          <Text role="status" textStyle="small">
            {readWords(read.data)}
          </Text>
        ) : null}
      </Flex>
      {error ? (
        <Box mt="2">
          <Trouble>{failed(error, units)} Nothing was added.</Trouble>
        </Box>
      ) : null}
    </Box>
  );
}

function parsed(text: string, name: string): MachinesDocument {
  try {
    const read: unknown = JSON.parse(text);
    if (isMachines(read)) return read;
  } catch {
    // Told below.
  }
  throw new Error(`“${name}” holds no machines. Choose a file that was saved from a kitchen.`);
}

function readWords({ added, known }: { added: OwnMachine[]; known: string[] }): string {
  const came =
    added.length > 0
      ? `Added: ${added.map((own) => own.machine.name).join(", ")}.`
      : "Nothing new in it.";
  return known.length > 0 ? `${came} There already: ${known.join(", ")}.` : came;
}
