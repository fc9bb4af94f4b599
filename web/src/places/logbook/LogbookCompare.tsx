// Two cooks of the log: their strips over one another, and what they differ in.
import { Box, Table, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useParams } from "@tanstack/react-router";
import { catalogueQuery, cookQuery } from "../../api/queries";
import type { Cook } from "../../api/types";
import { Trouble, Waiting } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";
import { useSettings } from "../../domain/settings";
import { LogStrip } from "../../features/logbook/LogStrip";
import { day } from "../../lib/clock";
import { usePageTitle } from "../../lib/title";
import type { Units } from "../../lib/units";
import { differences, outAfter } from "./differences";
import { marksOf } from "./marks";

export function LogbookCompare() {
  usePageTitle("Logbook: two cooks compared");
  const units = useSettings();
  const catalogue = useQuery(catalogueQuery());
  const { id, other } = useParams({ from: "/logbook/$id/with/$other" });
  const cooks = [useQuery(cookQuery(id)), useQuery(cookQuery(other))] as const;
  const failure = cooks.find(({ isError, data }) => isError && !data);
  if (failure) {
    return <Trouble onRetry={() => void failure.refetch()}>{failure.error?.message}</Trouble>;
  }
  const [a, b] = cooks.map(({ data }) => data);
  if (!a || !b) return <Waiting>Loading…</Waiting>;
  // As far as either was planned, and as the last that was read of it.
  const ends = (cook: Cook) => {
    const read = marksOf(cook).filter(({ happening }) => happening.kind === "reading");
    const last = Math.max(outAfter(cook) ?? 0, ...read.map(({ minute }) => minute));
    return Math.max(cook.plan.picture.minutes.at(-1) ?? 0, 1.06 * last);
  };
  const until = Math.max(ends(a), ends(b));
  const apart = catalogue.data ? differences(a, b, catalogue.data, units) : [];
  return (
    <Box pt="3">
      <Text as="h1" textStyle="title">
        Two cooks compared
      </Text>
      <One cook={a} until={until} units={units} />
      <One cook={b} until={until} units={units} />
      {apart.length === 0 ? (
        <Text textStyle="line" mt="4">
          They do not differ in anything that was said or told.
        </Text>
      ) : (
        <Table.Root size="sm" variant="line" mt="4" maxW="60rem">
          <Table.Header>
            <Table.Row bg="paper">
              <Table.ColumnHeader>what differs</Table.ColumnHeader>
              <Table.ColumnHeader>{a.name}</Table.ColumnHeader>
              <Table.ColumnHeader>{b.name}</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {apart.map(({ what, first, second }) => (
              <Table.Row key={what} bg="paper">
                <Table.Cell>{what}</Table.Cell>
                <Table.Cell>{first}</Table.Cell>
                <Table.Cell>{second}</Table.Cell>
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      )}
    </Box>
  );
}

function One({ cook, until, units }: { cook: Cook; until: number; units: Units }) {
  const { plan } = cook;
  return (
    <Box mt="4">
      <PlaceLink
        to="/logbook/$id"
        params={{ id: cook.id }}
        textStyle="line"
        fontWeight="650"
        _hover={{ textDecoration: "underline" }}
      >
        {cook.name}
      </PlaceLink>
      <Text textStyle="small" color="ink.soft">
        {cook.started_at ? day(new Date(cook.started_at), new Date()) : "not started yet"}
      </Text>
      <LogStrip
        picture={plan.picture}
        steps={plan.steps}
        pullAt={plan.pull_at_s}
        turnAt={plan.turn_at_s}
        marks={marksOf(cook)}
        units={units}
        until={until}
      />
    </Box>
  );
}
