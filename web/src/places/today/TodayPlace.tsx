// The start page: what is cooking, what is still to be done today, what is coming, the last cook to rate;
// sentences to start from where nothing is on.

import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { cooksQuery, machinesQuery } from "../../api/queries";
import type { CookRow } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { ActionLink, PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { compact, LAST_PLAN } from "../../domain/address";
import { useSettings } from "../../domain/settings";
import { CookEntry, loadWords, targetWords } from "../../features/logbook/CookEntry";
import { useDeleteCook } from "../../features/logbook/useDeleteCook";
import { Coming } from "../../features/supper/Coming";
import { useComing } from "../../features/supper/useComing";
import { clock, timeOfDay } from "../../lib/clock";
import { writeDraft } from "../../lib/draft";
import { useNow } from "../../lib/hooks";
import { useShown } from "../../lib/remembered";
import { usePageTitle } from "../../lib/title";
import { minutes, type Units } from "../../lib/units";
import { Begin } from "./Begin";
import { FirstRun } from "./FirstRun";
import { Tonight } from "./Tonight";
import { ToRate } from "./ToRate";

export function TodayPlace() {
  usePageTitle("Today");
  const units = useSettings();
  const now = useNow(30_000);
  const running = useQuery(cooksQuery({ state: "running", per_page: 50 }));
  const planned = useQuery(cooksQuery({ state: "planned" }));
  const machines = useQuery(machinesQuery());
  const suppers = useComing(now);
  const deletion = useDeleteCook();
  const [asks, setAsks] = useShown("three questions", true);
  // Who has answered the second question has not answered the third.
  const [began, setBegan] = useState(false);
  // A kept answer of an earlier visit may be out of date, so this waits for the new answer.
  if (!began && machines.data?.total === 0 && !machines.isFetching) setBegan(true);
  const failed = running.error ?? planned.error;
  // What was kept of it is shown also while the server does not answer.
  if (failed && !(running.data && planned.data)) {
    const again = () => {
      void running.refetch();
      void planned.refetch();
    };
    return <Trouble onRetry={again}>{failed.message}</Trouble>;
  }
  if (!running.data || !planned.data || machines.isPending) return <Waiting>Loading…</Waiting>;
  const rows = [...running.data.items, ...planned.data.items];
  const nothing = rows.length === 0 && suppers.length === 0;
  if (asks && nothing && began) {
    return (
      <Box pt="3">
        <FirstRun onSkip={() => setAsks(false)} />
      </Box>
    );
  }
  return (
    <Box pt="3">
      <Flex justify="space-between" align="baseline" wrap="wrap" gap="3" mb="3">
        <Text as="h1" textStyle="title">
          Today
        </Text>
        <PlaceLink
          to="/plan"
          onClick={() => writeDraft(LAST_PLAN, null)}
          textStyle="button"
          textDecoration="underline"
          textUnderlineOffset="3px"
        >
          New plan
        </PlaceLink>
      </Flex>
      {deletion.notice}
      <Tonight suppers={suppers} now={now} />
      {rows.map((row) => (
        <Entry key={row.id} row={row} units={units} onDelete={() => deletion.remove(row)} />
      ))}
      <Box mt={rows.length > 0 ? "8" : "0"}>
        <Coming />
      </Box>
      <ToRate now={now} />
      {nothing ? <Begin /> : null}
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
          : row.start_by
            ? `Start by ${clock(new Date(row.start_by))} to eat at ${clock(new Date(row.eat_at ?? ""))}.`
            : "Start whenever you like."}
        {row.below_floor ? (
          <Text as="span" color="beet" fontWeight="700">
            {" "}
            Below the safe minimum.
          </Text>
        ) : null}
      </Text>
      <Flex gap="3" mt="3" wrap="wrap" align="center">
        <ActionLink to="/fryer/$id" params={{ id: row.id }} look="zest">
          {running ? "Cook now" : "Open cook"}
        </ActionLink>
        {running ? null : (
          <PlaceLink
            to="/plan"
            state={{ request }}
            search={{
              say: compact(request),
              cook: row.id,
              eat: row.eat_at ? timeOfDay(new Date(row.eat_at)) : undefined,
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
