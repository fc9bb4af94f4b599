// The assumptions that are worth measuring, the most costly first.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { render } from "../../domain/message";
import { minutes, type Units } from "../../lib/units";

/** Less than this is not worth a ruler, s. */
const NOTICED = 20;

export function Worth({ plan, units }: { plan: Plan; units: Units }) {
  const most = Math.max(60, ...plan.assumptions.map((assumption) => assumption.worth_s));
  // What the cook can settle and what would move the minutes.
  const first = plan.assumptions.find((known) => known.measurable && known.worth_s >= NOTICED);
  return (
    <chakra.ul listStyleType="none" p="0">
      {plan.assumptions.map((assumption) => (
        <chakra.li key={assumption.kind} borderTop="1px solid" borderColor="line" py="1.5">
          <Box display="flex" justifyContent="space-between" gap="3" textStyle="small">
            <Text>
              {render(assumption.message, units)}
              {assumption === first ? (
                <Text as="span" color="ember" fontWeight="700">
                  {" "}
                  Measure this first.
                </Text>
              ) : null}
            </Text>
            <Text fontWeight="700" whiteSpace="nowrap">
              {assumption.worth_s < 15
                ? "under ½ min"
                : `± ${minutes(Math.max(30, assumption.worth_s))}`}
            </Text>
          </Box>
          <Box h="bar" bg="well" borderRadius="hair" mt="1" aria-hidden>
            <Box
              h="full"
              bg="ember"
              borderRadius="hair"
              style={{ width: `${(assumption.worth_s / most) * 100}%` }}
            />
          </Box>
        </chakra.li>
      ))}
    </chakra.ul>
  );
}
