// A supper that does not go: what is in the way, where, and the ways out with what they do.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Supper, SupperPlan } from "../../api/types";
import { Action } from "../../components/recipes";
import { render } from "../../domain/message";
import { useSettings } from "../../domain/settings";
import { clock, day } from "../../lib/clock";
import { capital } from "../../lib/text";

interface InfeasibleProps {
  plan: SupperPlan;
  onChange: (supper: Supper) => void;
}

/** Clashes told in words; the rest is in the lanes. */
const TOLD = 4;

export function Infeasible({ plan, onChange }: InfeasibleProps) {
  const units = useSettings();
  const now = new Date();
  const at = (time: string) => `${day(new Date(time), now)} at ${clock(new Date(time))}`;
  const from = (time: string) => clock(new Date(time));
  const { clashes } = plan;
  const open = plan.alternatives.filter((way) => way.supper);
  const others = plan.alternatives.filter((way) => !way.supper);
  return (
    <Box role="alert" borderTop="2px solid" borderColor="beet" pt="2" mt="3" maxW="sentence">
      <Text textStyle="line" color="beet" fontWeight="600">
        This schedule does not work.{" "}
        {capital(plan.infeasibility ? render(plan.infeasibility, units) : "")}.
      </Text>
      {clashes.length > 0 ? (
        <Text textStyle="body" mt="1">
          Conflicts are striped below:{" "}
          {clashes
            .slice(0, TOLD)
            .map((one) => `${one.what} (${from(one.start_at)} to ${from(one.end_at)})`)
            .join("; ")}
          {clashes.length > TOLD ? `; and ${clashes.length - TOLD} more` : ""}.
        </Text>
      ) : null}
      {open.length > 0 ? (
        <>
          <Text textStyle="section" mt="3">
            Ways to make it work
          </Text>
          <Box as="ul" listStyleType="none">
            {open.map((way) => (
              <Flex as="li" key={way.words.text} gap="3" align="center" wrap="wrap" py="1">
                <Action type="button" onClick={() => way.supper && onChange(way.supper)}>
                  {way.later ? `Eat ${at(way.serve_at)}` : capital(render(way.words, units))}
                </Action>
                {way.effect ? <Text textStyle="small">{way.effect}</Text> : null}
              </Flex>
            ))}
          </Box>
        </>
      ) : null}
      {others.length > 0 ? (
        <Text textStyle="small" mt="1">
          Would also work with {others.map((way) => render(way.words, units)).join(", or ")}.
        </Text>
      ) : null}
      {plan.more ? (
        <Text textStyle="small" mt="1" role="status">
          Looking for other ways…
        </Text>
      ) : plan.alternatives.length === 0 ? (
        <Text textStyle="body" mt="1">
          Leave something out, or let it take less time.
        </Text>
      ) : null}
    </Box>
  );
}
