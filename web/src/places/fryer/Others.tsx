// Everything else that is going on, small: the nearest first, and what is due stands out.
import { Box, Flex, Text } from "@chakra-ui/react";
import { PlaceLink } from "../../components/PlaceLink";
import { clock, countdown } from "../../lib/clock";
import type { Affair } from "./affairs";

interface OthersProps {
  affairs: Affair[];
  now: number;
}

export function Others({ affairs, now }: OthersProps) {
  if (affairs.length === 0) return null;
  return (
    <Box as="section" aria-label="Also cooking" mt="2" mb="4">
      {affairs.map((affair) => (
        <Row key={affair.key} affair={affair} now={now} />
      ))}
    </Box>
  );
}

function Row({ affair, now }: { affair: Affair; now: number }) {
  const left = (affair.at - now) / 1000;
  const due = left <= 0;
  const row = (
    <Flex
      justify="space-between"
      align="baseline"
      gap="4"
      px="3"
      py="2.5"
      mb="2"
      borderRadius="field"
      bg={due ? "zest" : "well"}
      color={due ? "zest.ink" : "ink"}
      textStyle="line"
    >
      <Text>
        <b>{affair.what}</b>
        <Text as="span" display="block" textStyle="small">
          {affair.name}
        </Text>
      </Text>
      <Text whiteSpace="nowrap" textAlign="end">
        <b>{due ? "now" : countdown(left)}</b>
        <Text as="span" display="block" textStyle="small">
          {clock(new Date(affair.at))}
        </Text>
      </Text>
    </Flex>
  );
  return affair.of.kind !== "supper" ? (
    <PlaceLink to="/fryer/$id" params={{ id: affair.of.cook.id }} display="block">
      {row}
    </PlaceLink>
  ) : (
    <PlaceLink to="/fryer" search={{ supper: affair.of.kept.id }} display="block">
      {row}
    </PlaceLink>
  );
}
