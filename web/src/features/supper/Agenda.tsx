// Everything by the clock: the same as the lanes, in words and in order.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { SupperPlan } from "../../api/types";
import { Caution } from "../../components/Notice";
import { render } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import { clock, day } from "../../lib/clock";
import { capital } from "../../lib/text";

export type Moment = SupperPlan["agenda"][number];

interface AgendaProps {
  plan: SupperPlan;
  now: number;
  /** Whether it has been told that a moment is done. */
  isDone?: (moment: Moment) => boolean;
  /** The reports that a moment can have: begun, done, late. */
  controls?: (moment: Moment) => ReactNode;
}

export function Agenda({ plan, now, isDone = () => false, controls }: AgendaProps) {
  const units = useSettings();
  const next = plan.agenda.find(
    (moment) => !isDone(moment) && new Date(moment.end_at).getTime() > now,
  );
  let last = "";
  return (
    <Box as="ol" listStyleType="none">
      {plan.agenda.map((moment) => {
        const at = new Date(moment.at);
        const date = day(at, new Date(now));
        const first = date !== last;
        last = date;
        return (
          <Box
            as="li"
            key={`${moment.dish} ${moment.task} ${moment.moment}`}
            aria-current={moment === next ? "step" : undefined}
          >
            {first ? (
              <Text textStyle="section" pt="3">
                {capital(date)}
              </Text>
            ) : null}
            <Flex
              gap="4"
              py="2"
              borderTop="1px solid"
              borderColor="line"
              // Out to the edge, so that the times stay under one another.
              ms={moment === next ? "-5" : undefined}
              ps={moment === next ? "3" : undefined}
              // The next moment, in the colour of the present step.
              borderStart={moment === next ? "8px solid {colors.zest}" : undefined}
            >
              <Text textStyle="time" flexShrink="0" w="clock">
                {clock(at)}
              </Text>
              <Box flex="1">
                <Text textStyle="body" color={isDone(moment) ? "ink.soft" : undefined}>
                  {isDone(moment) ? "✓ " : ""}
                  {moment.what}{" "}
                  <Text as="span" textStyle="small">
                    · {plan.dishes[moment.dish]?.name}
                  </Text>
                </Text>
                {moment.notes.length > 0 ? (
                  <Text textStyle="small" color="ink.soft">
                    {moment.notes.map((note) => render(note, units)).join("; ")}
                  </Text>
                ) : null}
                {moment.caution ? (
                  <Box mt="1">
                    <Caution>{moment.caution}</Caution>
                  </Box>
                ) : null}
                {controls?.(moment)}
              </Box>
            </Flex>
          </Box>
        );
      })}
      <Flex as="li" gap="4" py="2" borderTop="2px solid" borderColor="ink">
        <Text textStyle="time" flexShrink="0" w="clock">
          {clock(new Date(plan.serve_at))}
        </Text>
        <Text textStyle="body" fontWeight="650">
          On the table
        </Text>
      </Flex>
    </Box>
  );
}
