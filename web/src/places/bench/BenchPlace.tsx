// Bench: questions away from the machine. A recipe read for it; what if something were otherwise.
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery, learnedQuery, machinesQuery } from "../../api/queries";
import { Trouble, Waiting } from "../../components/Notice";
import { firstSentence, here, LAST_PLAN } from "../../domain/address";
import { withKnown } from "../../domain/learned";
import { entryOf } from "../../domain/request";
import { isRequest } from "../../domain/schemas";
import { useSettings } from "../../domain/settings";
import { readDraft } from "../../lib/draft";
import { usePageTitle } from "../../lib/title";
import { ReadRecipe } from "./ReadRecipe";
import { WhatIf } from "./WhatIf";

export function BenchPlace() {
  usePageTitle("Bench");
  const settings = useSettings();
  const catalogue = useQuery(catalogueQuery());
  const own = useQuery(machinesQuery());
  const learned = useQuery(learnedQuery());
  if (catalogue.isError && !catalogue.data) {
    return <Trouble onRetry={() => void catalogue.refetch()}>{catalogue.error.message}</Trouble>;
  }
  if (!catalogue.data || own.isPending) return <Waiting>Loading…</Waiting>;
  const presets = catalogue.data.machine_presets.map(({ machine }) => machine);
  const machines = [...(own.data?.items ?? []).map(({ machine }) => machine), ...presets];
  const [first] = machines;
  const said = readDraft(LAST_PLAN, isRequest);
  const base = said ?? (first ? firstSentence(catalogue.data, first, settings) : null);
  const request = base && withKnown(here(base, settings), learned.data);
  const entry = request && entryOf(catalogue.data, request);
  if (!request || !entry) return <Trouble>The catalogue is empty.</Trouble>;
  return (
    <Box pt="3">
      <Text as="h1" textStyle="title">
        Bench
      </Text>
      <Text textStyle="line" color="ink.say" mb="5" maxW="reading">
        Questions away from the machine. Each begins with your last plan, {entry.plural} in{" "}
        {request.machine.name}, and ends in one.
      </Text>
      <ReadRecipe catalogue={catalogue.data} request={request} units={settings} />
      <WhatIf
        catalogue={catalogue.data}
        entry={entry}
        machines={machines}
        request={request}
        units={settings}
      />
    </Box>
  );
}
