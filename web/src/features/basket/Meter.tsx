// How the pieces lie, on a scale of words, and what that costs against much air.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Loading } from "../../api/types";
import { length, minutes, type Units } from "../../lib/units";

const WORDS = ["plenty of space", "some space", "little space", "crowded", "stacked"];

interface MeterProps {
  loading: Loading;
  airiness: string;
  gap: number;
  units: Units;
}

export function Meter({ loading, airiness, gap, units }: MeterProps) {
  const at = WORDS.indexOf(airiness);
  const tight = at >= 3;
  return (
    <Box mt="2">
      <Flex
        role="img"
        aria-label={`${airiness}; from ${WORDS[0]} to ${WORDS[WORDS.length - 1]}`}
        textStyle="small"
      >
        {WORDS.map((word, n) => (
          <Box
            key={word}
            flex="1"
            textAlign="center"
            borderTop="4px solid"
            borderColor={n > at ? "line" : tight ? "beet" : "zest.mark"}
            borderTopStyle={n > at ? "dotted" : "solid"}
            color={n === at ? "ink" : "ink.soft"}
            fontWeight={n === at ? "700" : "400"}
            pt="0.5"
          >
            {word}
          </Box>
        ))}
      </Flex>
      <Text textStyle="body" mt="1">
        {gap > 1 ? `The smallest gap is ${length(gap, units)}` : "Something touches"}
        {cost(loading)}.{gap > 1 ? "" : " Where they touch, they stay pale and soft."}
      </Text>
    </Box>
  );
}

/** Minutes and colour against air all around; both of the first load. */
export function cost(loading: Loading): string {
  const [laid, airy] = loading.browning;
  const later =
    loading.later_than_airy_s >= 30
      ? `, ${minutes(loading.later_than_airy_s)} later than with plenty of space`
      : ", as quick as with plenty of space";
  return laid === airy ? `${later} and as ${laid}` : `${later}, and ${laid}, not ${airy}`;
}
