// Plan against course, in numbers: the steps by the clock, the readings by the minute.
import { Box, Table, Text } from "@chakra-ui/react";
import type { Cook } from "../../api/types";
import { temperatureAt } from "../../domain/field";
import { order } from "../../domain/message";
import { clock } from "../../lib/clock";
import { difference, temperature, type Units } from "../../lib/units";

function late(seconds: number): string {
  const minutes = Math.round(seconds / 30) / 2;
  if (minutes === 0) return "on time";
  return `${Math.abs(minutes)} min ${minutes > 0 ? "late" : "early"}`;
}

/** Each step: when it was planned, from loading, and when it was done. */
export function Steps({ cook, units }: { cook: Cook; units: Units }) {
  const { course, plan } = cook;
  if (!course) return null;
  const first = plan.steps[0]?.at_s ?? 0;
  const started = cook.started_at ? Date.parse(cook.started_at) : 0;
  return (
    <Box flex="1 1 26rem">
      <Text as="h2" textStyle="section" mb="2">
        Planned and actual
      </Text>
      <Table.Root size="sm" variant="line">
        <Table.Header>
          <Table.Row bg="paper">
            <Table.ColumnHeader>step</Table.ColumnHeader>
            <Table.ColumnHeader>planned</Table.ColumnHeader>
            <Table.ColumnHeader>done</Table.ColumnHeader>
            <Table.ColumnHeader>against the plan</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {plan.steps.map((step, n) => {
            const planned = started + (step.at_s - first) * 1000;
            const done = course.steps[n]?.done_at;
            return (
              <Table.Row key={n} bg="paper">
                <Table.Cell>{order(step, units)}</Table.Cell>
                <Table.Cell>{clock(new Date(planned))}</Table.Cell>
                <Table.Cell>{done ? clock(new Date(done)) : "–"}</Table.Cell>
                <Table.Cell>{done ? late((Date.parse(done) - planned) / 1000) : ""}</Table.Cell>
              </Table.Row>
            );
          })}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

interface ReadingsProps {
  cook: Cook;
  loaded: number | null;
  units: Units;
}

/** Each reading against what the model had at that minute. */
export function Readings({ cook, loaded, units }: ReadingsProps) {
  if (loaded === null) return null;
  const readings = cook.events.flatMap((event) =>
    event.happening.kind === "reading"
      ? [{ minute: (Date.parse(event.at) - loaded) / 60_000, core: event.happening.core_c }]
      : [],
  );
  const { minutes, core_c } = cook.plan.picture;
  const cores = { depths: 2, minutes, field_c: core_c.flatMap((core) => [core, core]) };
  return (
    <Box flex="1 1 18rem">
      <Text as="h2" textStyle="section" mb="2">
        Thermometer
      </Text>
      {readings.length === 0 ? (
        <Text textStyle="body" color="ink.soft">
          No reading was noted.
        </Text>
      ) : (
        <Table.Root size="sm" variant="line">
          <Table.Header>
            <Table.Row bg="paper">
              <Table.ColumnHeader>minute</Table.ColumnHeader>
              <Table.ColumnHeader>read</Table.ColumnHeader>
              <Table.ColumnHeader>expected</Table.ColumnHeader>
              <Table.ColumnHeader>difference</Table.ColumnHeader>
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {readings.map((reading) => {
              const expected = temperatureAt(cores, reading.minute, 0);
              const apart = reading.core - expected;
              return (
                <Table.Row key={reading.minute} bg="paper">
                  <Table.Cell>{Math.round(reading.minute)}</Table.Cell>
                  <Table.Cell>{temperature(reading.core, units)}</Table.Cell>
                  <Table.Cell>{temperature(expected, units)}</Table.Cell>
                  <Table.Cell>
                    {Math.abs(apart) < 0.5 ? "" : apart > 0 ? "+" : "−"}
                    {difference(Math.abs(apart), units)}
                  </Table.Cell>
                </Table.Row>
              );
            })}
          </Table.Body>
        </Table.Root>
      )}
    </Box>
  );
}
