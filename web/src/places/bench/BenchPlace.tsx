// Bench: questions away from the machine. One tool at a time, each about the last plan or a cook of the log.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import {
  catalogueQuery,
  cookQuery,
  cooksQuery,
  learnedQuery,
  machinesQuery,
} from "../../api/queries";
import { Trouble, Waiting } from "../../components/Notice";
import { Pick } from "../../components/Pick";
import { PlaceLink } from "../../components/PlaceLink";
import { firstSentence, here, LAST_PLAN, TOOLS, type Tool } from "../../domain/address";
import { withKnown } from "../../domain/learned";
import { entryOf } from "../../domain/request";
import { isRequest } from "../../domain/schemas";
import { useSettings } from "../../domain/settings";
import { cookOption } from "../../features/logbook/CookEntry";
import { readDraft } from "../../lib/draft";
import { usePageTitle } from "../../lib/title";
import { Practice } from "./Practice";
import { ReadRecipe } from "./ReadRecipe";
import { WentWrong } from "./WentWrong";
import { WhatIf } from "./WhatIf";

const NAMES: Record<Tool, string> = {
  recipe: "Read a recipe",
  what_if: "What if",
  wrong: "What went wrong",
  practice: "Practice",
};

export function BenchPlace() {
  usePageTitle("Bench");
  const settings = useSettings();
  const { tool = "recipe", cook: id } = useSearch({ from: "/bench" });
  const catalogue = useQuery(catalogueQuery());
  const own = useQuery(machinesQuery());
  const learned = useQuery(learnedQuery());
  const cook = useQuery({ ...cookQuery(id ?? ""), enabled: id !== undefined });
  const failure = [catalogue, cook].find(({ isError, data }) => isError && !data);
  if (failure) {
    return <Trouble onRetry={() => void failure.refetch()}>{failure.error?.message}</Trouble>;
  }
  if (!catalogue.data || own.isPending || (id && !cook.data)) return <Waiting>Loading…</Waiting>;
  const presets = catalogue.data.machine_presets.map(({ machine }) => machine);
  const machines = [...(own.data?.items ?? []).map(({ machine }) => machine), ...presets];
  const [first] = machines;
  const said = cook.data?.request ?? readDraft(LAST_PLAN, isRequest);
  const base = said ?? (first ? firstSentence(catalogue.data, first, settings) : null);
  const request = base && withKnown(here(base, settings), learned.data);
  const entry = request && entryOf(catalogue.data, request);
  if (!request || !entry) return <Trouble>The catalogue is empty.</Trouble>;
  return (
    <Box pt="3">
      <Text as="h1" textStyle="title">
        Bench
      </Text>
      <Text textStyle="line" color="ink.say" mb="3" maxW="reading">
        Questions away from the machine.
      </Text>
      <Tools tool={tool} cook={id} />
      {tool === "practice" ? null : (
        <BeginWith cook={id} plan={`${entry.plural} in ${request.machine.name}`} />
      )}
      {tool === "recipe" ? (
        <ReadRecipe catalogue={catalogue.data} request={request} units={settings} />
      ) : tool === "what_if" ? (
        <WhatIf
          catalogue={catalogue.data}
          entry={entry}
          machines={machines}
          request={request}
          units={settings}
        />
      ) : tool === "wrong" ? (
        <WentWrong cook={id ?? null} request={request} units={settings} />
      ) : (
        <Practice units={settings} />
      )}
    </Box>
  );
}

function Tools({ tool, cook }: { tool: Tool; cook: string | undefined }) {
  return (
    <Flex as="nav" aria-label="Tools" gap={{ base: "3.5", md: "6" }} wrap="wrap" mb="4">
      {TOOLS.map((one) => (
        <PlaceLink
          key={one}
          to="/bench"
          search={{ tool: one === "recipe" ? undefined : one, cook }}
          aria-current={one === tool ? "page" : undefined}
          textStyle={{ base: "small", md: "body" }}
          color={one === tool ? "ink" : "ink.soft"}
          fontWeight={one === tool ? "650" : "400"}
          borderBottom="3px solid"
          borderColor={one === tool ? "ember" : "transparent"}
          pb="0.5"
          whiteSpace="nowrap"
        >
          {NAMES[one]}
        </PlaceLink>
      ))}
    </Flex>
  );
}

/** What the question is about. */
function BeginWith({ cook, plan }: { cook: string | undefined; plan: string }) {
  const navigate = useNavigate({ from: "/bench" });
  const cooks = useQuery(cooksQuery({ state: "finished", per_page: 20 }));
  const known = cooks.data?.items ?? [];
  // One that is no longer among the latest.
  const older =
    cook && !known.some(({ id }) => id === cook)
      ? [{ value: cook, text: `a cook of the log: ${plan}` }]
      : [];
  return (
    <Flex align="center" gap="3" wrap="wrap" mb="4">
      <Text as="label" textStyle="body" {...{ htmlFor: "begin-with" }}>
        About
      </Text>
      <Pick
        w="20rem"
        maxW="full"
        named="begin-with"
        value={cook}
        none={cook ? "your last plan" : `your last plan: ${plan}`}
        options={[...older, ...known.map(cookOption)]}
        onPick={(picked) =>
          void navigate({ search: (before) => ({ ...before, cook: picked }), replace: true })
        }
      />
    </Flex>
  );
}
