// An empty kitchen asks three things, each of which can be skipped: where it is, what it cooks in, and
// what is for dinner.
import { Box, Flex, Input, NativeSelect, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { addMachine, catalogueQuery, machinesQuery, typicalMachine } from "../../api/queries";
import { reader } from "../../api/reader";
import type { Machine, Region } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { KINDS } from "../../domain/kinds";
import { useSettings } from "../../domain/settings";
import { useHousehold } from "../../features/household/household";
import { useIdentity } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { volume } from "../../lib/units";
import { Begin } from "./Begin";

type Kind = Machine["kind"];

export function FirstRun({ onSkip }: { onSkip: () => void }) {
  const machines = useQuery(machinesQuery());
  const there = machines.data?.items[0]?.machine;
  return (
    <Box maxW="reading">
      <Text as="h1" textStyle="title" mb="1">
        Three questions
      </Text>
      <Text textStyle="line" color="ink.say" mb="5">
        Answer what you like; everything can be changed later in Kitchen.
      </Text>
      <Question title="1. Where do you cook?">
        <Where />
      </Question>
      <Question title="2. What do you cook in?">
        {there ? <Text textStyle="line">{capital(there.name)} is in the kitchen.</Text> : <In />}
      </Question>
      <Question title="3. What is for dinner?">
        <Begin />
      </Question>
      <Action type="button" look="plain" onClick={onSkip}>
        Skip
      </Action>
    </Box>
  );
}

const Question = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box as="section" mb="6">
    <Text as="h2" textStyle="section" mb="2">
      {title}
    </Text>
    {children}
  </Box>
);

/** Whose guidance, and which units. */
function Where() {
  const settings = useSettings();
  const choose = useHousehold(settings);
  const catalogue = useQuery(catalogueQuery());
  return (
    <Flex gap="3" wrap="wrap" align="center">
      <NativeSelect.Root size="sm" w="auto">
        <NativeSelect.Field
          aria-label="Food safety guidance"
          value={settings.region}
          onChange={(event) => choose({ region: event.target.value as Region })}
        >
          {catalogue.data?.regions.map((region) => (
            <option key={region.region} value={region.region}>
              {region.words} ({region.authority})
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <Action
        type="button"
        aria-pressed={settings.temperature === "celsius"}
        look={settings.temperature === "celsius" ? "solid" : "quiet"}
        onClick={() => choose({ temperature: "celsius", weight: "metric" })}
      >
        °C, grams
      </Action>
      <Action
        type="button"
        aria-pressed={settings.temperature === "fahrenheit"}
        look={settings.temperature === "fahrenheit" ? "solid" : "quiet"}
        onClick={() => choose({ temperature: "fahrenheit", weight: "imperial" })}
      >
        °F, pounds
      </Action>
    </Flex>
  );
}

const USUAL_CAPACITY = 5.5;

/** By kind and capacity, as the label gives it; or measured. */
function In() {
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
        <NativeSelect.Root size="sm" w="auto">
          <NativeSelect.Field
            aria-label="Kind of machine"
            value={kind}
            onChange={(event) => setKind(event.target.value as Kind)}
          >
            {Object.entries(KINDS).map(([value, words]) => (
              <option key={value} value={value}>
                {capital(words)}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
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
