// What to do, in order: the text equivalent of the strip.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Step } from "../../api/types";
import { Caution } from "../../components/Notice";
import { order, render } from "../../domain/message";
import { temperature, type Units } from "../../lib/units";

interface StepListProps {
  steps: Step[];
  units: Units;
  clockOf: (seconds: number) => string;
  /** Index of the thing to do now. */
  now: number;
}

export function StepList({ steps, units, clockOf, now }: StepListProps) {
  return (
    <chakra.ol listStyleType="none" p="0">
      {steps.map((step, n) => (
        <chakra.li
          key={n}
          display="grid"
          gridTemplateColumns="{sizes.clock} 1fr"
          gap="2.5"
          py="1.5"
          alignItems="baseline"
          borderTop={n === now || n === now + 1 ? "none" : "1px solid"}
          borderColor="line"
          bg={n === now ? "zest" : undefined}
          color={n === now ? "zest.ink" : undefined}
          borderRadius={n === now ? "word" : undefined}
          px={n === now ? "2.5" : "0"}
          mx={n === now ? "-2.5" : "0"}
        >
          <chakra.time textStyle="time">{clockOf(step.at_s)}</chakra.time>
          <Box minW="0">
            <Text textStyle="body">{order(step, units)}</Text>
            <Text textStyle="small" color={n === now ? "zest.ink" : "ink.soft"}>
              {render(step.reason, units)}
              {step.core_c != null && step.kind !== "load" && step.kind !== "pull"
                ? ` · core about ${temperature(step.core_c, units)}`
                : ""}
            </Text>
            {step.caution ? (
              <Box mt="1">
                {n === now ? (
                  <Text textStyle="small">{step.caution}</Text>
                ) : (
                  <Caution>{step.caution}</Caution>
                )}
              </Box>
            ) : null}
          </Box>
        </chakra.li>
      ))}
    </chakra.ol>
  );
}
