// What to do, in order: minutes from loading first, the clock small. The text equivalent of the strip.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan, Request, Step } from "../../api/types";
import { Caution } from "../../components/Notice";
import { dialled, firstSetting, loadOf } from "../../domain/dialled";
import { order, render } from "../../domain/message";
import { hours, temperature, type Units, wholeMinutes } from "../../lib/units";

interface StepListProps {
  /** The steps before the plan's own. */
  before: Step[];
  plan: Plan;
  request: Request;
  units: Units;
  clockOf: (seconds: number) => string;
}

/** A step this long before loading, s, or longer, has no count of minutes. */
const LONG = 90 * 60;

export function StepList({ before, plan, request, units, clockOf }: StepListProps) {
  const steps = [...before, ...plan.steps];
  return (
    <chakra.ol listStyleType="none" p="0">
      {steps.map((step, n) => {
        const first = n === 0;
        const since = step.at_s - (step.batch > 0 ? loadOf(plan.steps, step.batch) : 0);
        return (
          <chakra.li
            key={n}
            display="grid"
            gridTemplateColumns="{sizes.clock} 1fr"
            gap="2.5"
            py="1.5"
            alignItems="baseline"
            borderTop={n < 2 ? "none" : "1px solid"}
            borderColor="line"
            bg={first ? "zest" : undefined}
            color={first ? "zest.ink" : undefined}
            borderRadius={first ? "word" : undefined}
            px={first ? "2.5" : "0"}
            mx={first ? "-2.5" : "0"}
            aria-current={first ? "step" : undefined}
          >
            <When
              since={since}
              at={clockOf(step.at_s)}
              counts={
                step.kind !== "load" &&
                step.kind !== "preheat" &&
                (step.batch > 0 || (plan.batches.length === 1 && step.at_s > 0))
              }
              first={first}
            />
            <Box minW="0">
              {first ? (
                <Text textStyle="small" fontWeight="700">
                  First
                </Text>
              ) : null}
              <Text textStyle="body">{order(step, units)}</Text>
              {step.kind === "load" ? (
                <AsDialled plan={plan} request={request} batch={step.batch} units={units} />
              ) : null}
              <Text textStyle="small" color={first ? "zest.ink" : "ink.soft"}>
                {render(step.reason, units)}
                {step.core_c != null && step.kind !== "load" && step.kind !== "pull"
                  ? ` · reads about ${temperature(step.core_c, units)}`
                  : ""}
              </Text>
              {step.caution ? (
                <Box mt="1">
                  {first ? (
                    <Text textStyle="small">{step.caution}</Text>
                  ) : (
                    <Caution>{step.caution}</Caution>
                  )}
                </Box>
              ) : null}
            </Box>
          </chakra.li>
        );
      })}
    </chakra.ol>
  );
}

interface WhenProps {
  /** From its own batch's loading, s. */
  since: number;
  at: string;
  /** Whether it is a matter of minutes in the machine. */
  counts: boolean;
  first: boolean;
}

function When({ since, at, counts, first }: WhenProps) {
  const small = first ? "zest.ink" : "ink.soft";
  const early = since <= -60;
  const main = counts ? wholeMinutes(since) : early && since > -LONG ? wholeMinutes(-since) : null;
  return (
    <Box>
      {main ? <Text textStyle="time">{main}</Text> : null}
      {main && early ? (
        <Text textStyle="tiny" color={small}>
          before
        </Text>
      ) : null}
      {!main && early ? <Text textStyle="time">{hours(-since)} before</Text> : null}
      <chakra.time display="block" textStyle="tiny" color={small}>
        {at}
      </chakra.time>
    </Box>
  );
}

interface AsDialledProps {
  plan: Plan;
  request: Request;
  batch: number;
  units: Units;
}

/** The largest place for the setting and the minutes. */
function AsDialled({ plan, request, batch, units }: AsDialledProps) {
  const dial = batch > 1 ? plan.setting_c : firstSetting(plan, request);
  const set = dialled(plan, batch, dial, request.machine, units);
  return (
    <Box my="1">
      <Text textStyle="dialled">{set.main}</Text>
      {set.after ? <Text textStyle="body">{set.after}</Text> : null}
    </Box>
  );
}
