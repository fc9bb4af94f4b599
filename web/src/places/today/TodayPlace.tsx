// The start page: what is on today; the sentence if nothing is.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Navigate } from "@tanstack/react-router";
import { cooksQuery } from "../../api/queries";
import type { CookRow } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { useSettings } from "../../domain/settings";
import { CookEntry, loadWords, targetWords } from "../../features/logbook/CookEntry";
import { useDeleteCook } from "../../features/logbook/useDeleteCook";
import { Coming } from "../../features/supper/Coming";
import { clock } from "../../lib/clock";
import { minutes, type Units } from "../../lib/units";

export function TodayPlace() {
  const units = useSettings();
  const running = useQuery(cooksQuery({ state: "running", per_page: 50 }));
  const planned = useQuery(cooksQuery({ state: "planned" }));
  const deletion = useDeleteCook();
  const failed = running.error ?? planned.error;
  // What was kept of it is shown also while the server does not answer.
  if (failed && !(running.data && planned.data)) {
    const again = () => {
      void running.refetch();
      void planned.refetch();
    };
    return <Trouble onRetry={again}>{failed.message}</Trouble>;
  }
  if (!running.data || !planned.data) return <Waiting>Seeing what is on…</Waiting>;
  if (running.data.total + planned.data.total === 0 && !deletion.notice) {
    return <Navigate to="/plan" replace />;
  }
  return (
    <Box pt="3">
      <Flex justify="space-between" align="baseline" wrap="wrap" gap="3" mb="3">
        <Text as="h1" textStyle="title">
          What is on
        </Text>
        <PlaceLink
          to="/plan"
          textStyle="button"
          textDecoration="underline"
          textUnderlineOffset="3px"
        >
          A new plan
        </PlaceLink>
      </Flex>
      {deletion.notice}
      {[...running.data.items, ...planned.data.items].map((row) => (
        <Entry key={row.id} row={row} units={units} onDelete={() => deletion.remove(row)} />
      ))}
      <Box mt="8">
        <Coming />
      </Box>
    </Box>
  );
}

interface EntryProps {
  row: CookRow;
  units: Units;
  onDelete: () => void;
}

function Entry({ row, units, onDelete }: EntryProps) {
  const { request } = row;
  const running = row.started_at != null;
  const table = row.steps[row.steps.length - 1]?.at_s ?? row.pull_at_s;
  const first = row.steps[0]?.at_s ?? 0;
  const startBy = row.eat_at ? new Date(Date.parse(row.eat_at) - (table - first) * 1000) : null;
  return (
    <CookEntry row={row} units={units}>
      <Text textStyle="say" fontWeight="650">
        {row.name}
      </Text>
      <Text textStyle="body" color="ink.soft">
        {loadWords(row, units)}, {minutes(row.pull_at_s)} to {targetWords(row, units)}
      </Text>
      <Text textStyle="line" mt="1">
        {running
          ? `Under way since ${clock(new Date(row.started_at ?? ""))}.`
          : startBy
            ? `Start by ${clock(startBy)} to eat at ${clock(new Date(row.eat_at ?? ""))}.`
            : "Start whenever you like."}
        {row.below_floor ? (
          <Text as="span" color="beet" fontWeight="700">
            {" "}
            Below the safety floor.
          </Text>
        ) : null}
      </Text>
      <Flex gap="3" mt="3" wrap="wrap" align="center">
        <PlaceLink
          to="/fryer/$id"
          params={{ id: row.id }}
          bg="zest"
          color="zest.ink"
          textStyle="button"
          borderRadius="field"
          px="4.5"
          py="2.5"
        >
          {running ? "To the fryer" : "Open at the fryer"}
        </PlaceLink>
        {running ? null : (
          <PlaceLink
            to="/plan"
            search={{
              say: request,
              cook: row.id,
              eat: row.eat_at ? clock(new Date(row.eat_at)) : undefined,
            }}
            textStyle="small"
            textDecoration="underline"
            textUnderlineOffset="3px"
          >
            Change the plan
          </PlaceLink>
        )}
        <Action
          type="button"
          look="plain"
          textStyle="small"
          onClick={onDelete}
          aria-label={`Delete ${row.name}`}
        >
          Delete
        </Action>
      </Flex>
    </CookEntry>
  );
}
