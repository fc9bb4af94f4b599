// An empty kitchen asks three things, each of which can be skipped: where it is, what it cooks in, and
// what is for dinner.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { machinesQuery } from "../../api/queries";
import { Action } from "../../components/recipes";
import { useSettings } from "../../domain/settings";
import { AddMachine } from "../../features/household/AddMachine";
import { useHousehold } from "../../features/household/household";
import { RegionChoice } from "../../features/household/RegionChoice";
import { capital } from "../../lib/text";
import { Begin } from "./Begin";

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
        {there ? (
          <Text textStyle="line">{capital(there.name)} is in the kitchen.</Text>
        ) : (
          <AddMachine />
        )}
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
  return (
    <Flex gap="3" wrap="wrap" align="center">
      <RegionChoice region={settings.region} onChoose={(region) => choose({ region })} />
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
