// One cook of the log: the plan against what happened, in numbers.

import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useParams } from "@tanstack/react-router";
import { useState } from "react";
import { catalogueQuery, cookChanged, cookQuery, cooksQuery, renameCook } from "../../api/queries";
import type { Cook } from "../../api/types";
import { Caution, Trouble, Waiting } from "../../components/Notice";
import { Pick } from "../../components/Pick";
import { ActionLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { planOf } from "../../domain/address";
import { leftOf } from "../../domain/leftOver";
import { entryOf } from "../../domain/request";
import { useSettings } from "../../domain/settings";
import { DONENESS, outsideWords } from "../../features/course/OutcomeForm";
import { cookOption, targetWords } from "../../features/logbook/CookEntry";
import { Readings, Steps } from "../../features/logbook/CourseTables";
import { LogStrip } from "../../features/logbook/LogStrip";
import { Photos } from "../../features/logbook/Photos";
import { ReadingsFile } from "../../features/logbook/ReadingsFile";
import { useDeleteCook } from "../../features/logbook/useDeleteCook";
import { clock, day } from "../../lib/clock";
import { usePageTitle } from "../../lib/title";
import { temperature } from "../../lib/units";
import { marksOf } from "./marks";

export function LogbookCook() {
  const { id } = useParams({ from: "/logbook/$id" });
  const cook = useQuery(cookQuery(id));
  const deletion = useDeleteCook();
  if (!cook.data) {
    if (cook.isPending) return <Waiting>Loading…</Waiting>;
    return <Trouble onRetry={() => void cook.refetch()}>{cook.error?.message}</Trouble>;
  }
  return (
    <Box pt="3">
      {deletion.notice}
      <Page cook={cook.data} onDelete={() => deletion.remove(cook.data)} />
    </Box>
  );
}

function Page({ cook, onDelete }: { cook: Cook; onDelete: () => void }) {
  const units = useSettings();
  const { plan } = cook;
  const catalogue = useQuery(catalogueQuery());
  const entry = catalogue.data && entryOf(catalogue.data, cook.request);
  usePageTitle(`Logbook: ${cook.name}`);
  const outcome = cook.course?.outcome;
  const loaded = cook.course?.loaded_at ? Date.parse(cook.course.loaded_at) : null;
  return (
    <>
      <Name cook={cook} />
      <Text textStyle="line" color="ink.soft" mb="4">
        {cook.started_at
          ? `${day(new Date(cook.started_at), new Date())}, started ${clock(new Date(cook.started_at))}`
          : "not started yet"}
        {" · "}
        {cook.request.machine.name}
        {" · until "}
        {targetWords(plan, units)}
      </Text>
      {plan.below_floor ? (
        <Box mb="4">
          <Caution>
            Planned below the {temperature(plan.floor.core_c ?? 0, units)} of {plan.floor.authority}
            .
          </Caution>
        </Box>
      ) : null}
      <LogStrip
        picture={plan.picture}
        steps={plan.steps}
        pullAt={plan.pull_at_s}
        turnAt={plan.turn_at_s}
        marks={marksOf(cook)}
        units={units}
      />
      {outcome ? (
        <Text textStyle="line" mt="2" mb="4" maxW="reading">
          <b>
            {outsideWords(outcome)} outside, {DONENESS[outcome.doneness - 1]} inside
            {outcome.core_c != null ? `, ${temperature(outcome.core_c, units)} at the end` : ""}.
          </b>{" "}
          {outcome.note}
          {outcome.by ? ` Cooked by ${outcome.by}.` : ""}
        </Text>
      ) : null}
      <Photos cook={cook.id} name={cook.name} units={units} />
      <Flex gap="8" wrap="wrap" align="flex-start" mt="4">
        <Steps cook={cook} units={units} />
        <Readings cook={cook} loaded={loaded} units={units} />
      </Flex>
      {cook.started_at ? (
        <Box className="no-print">
          <ReadingsFile cook={cook.id} units={units} />
        </Box>
      ) : null}
      <Flex gap="3" mt="6" wrap="wrap" className="no-print">
        <ActionLink to="/plan" {...planOf(cook.request)} look="solid">
          Repeat as a new plan
        </ActionLink>
        {entry ? (
          <ActionLink to="/plan" {...planOf(leftOf(cook.request, entry))}>
            Reheat what is left
          </ActionLink>
        ) : null}
        <ActionLink to="/bench" search={{ tool: "wrong", cook: cook.id }}>
          What went wrong
        </ActionLink>
        <CompareWith cook={cook} />
        <a href={`/api/cooks/${cook.id}/recipe.jsonld`} download="cook.jsonld">
          <Action as="span">As a recipe</Action>
        </a>
        <Action type="button" onClick={onDelete}>
          Delete
        </Action>
      </Flex>
    </>
  );
}

/** Another cook of the log, to be looked at beside this one. */
function CompareWith({ cook }: { cook: Cook }) {
  const navigate = useNavigate();
  const cooks = useQuery(cooksQuery({ state: "finished", per_page: 30 }));
  const others = (cooks.data?.items ?? []).filter(({ id }) => id !== cook.id);
  if (others.length === 0) return null;
  return (
    <Pick
      w="14rem"
      size="md"
      label="Compare with another cook"
      value={undefined}
      none="Compare with …"
      options={others.map(cookOption)}
      onPick={(other) => {
        if (other)
          void navigate({ to: "/logbook/$id/with/$other", params: { id: cook.id, other } });
      }}
    />
  );
}

function Name({ cook }: { cook: Cook }) {
  const queries = useQueryClient();
  const [typed, setTyped] = useState<string | null>(null);
  const rename = useMutation({
    mutationFn: (name: string) => renameCook(cook, name),
    onSuccess: (_, name) => {
      cookChanged(queries, { ...cook, name, revision: cook.revision + 1 });
      setTyped(null);
    },
    // Where somebody else changed it, saving again goes over what stands there now.
    onError: () => void queries.invalidateQueries({ queryKey: cookQuery(cook.id).queryKey }),
  });
  if (typed === null) {
    return (
      <Flex align="baseline" gap="3" wrap="wrap">
        <Text as="h1" textStyle="title">
          {cook.name}
        </Text>
        <Action type="button" look="plain" textStyle="small" onClick={() => setTyped(cook.name)}>
          Rename
        </Action>
      </Flex>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        rename.mutate(typed);
      }}
    >
      <Flex gap="2" align="center" mb="2" maxW="reading">
        <Input
          aria-label="Name of the cook"
          autoFocus
          maxLength={80}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          textStyle="line"
        />
        <Action type="submit" look="solid">
          Done
        </Action>
        <Action type="button" look="plain" onClick={() => setTyped(null)}>
          Cancel
        </Action>
      </Flex>
      {rename.error ? <Trouble>{rename.error.message}</Trouble> : null}
    </form>
  );
}
