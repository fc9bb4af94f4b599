// The plan in two lines: as it is dialled, then when it is out and on the table.
import { Box, Text } from "@chakra-ui/react";
import type { Plan, Request } from "../../api/types";
import { dialled, firstSetting } from "../../domain/dialled";
import { clock } from "../../lib/clock";
import { hours, temperature, type Units, wholeMinutes } from "../../lib/units";

interface SummaryProps {
  plan: Plan;
  request: Request;
  units: Units;
  clockOf: (seconds: number) => string;
  late: boolean;
  /** What is done before the meat goes in, s. */
  ahead: number;
}

export function Summary({ plan, request, units, clockOf, late, ahead }: SummaryProps) {
  const first = dialled(plan, 1, firstSetting(plan, request), request.machine, units);
  const others = plan.batches
    .slice(1)
    .map((_, n) =>
      wholeMinutes(dialled(plan, n + 2, plan.setting_c, request.machine, units).timer),
    );
  return (
    <Box pt="2" pb="1">
      {plan.below_floor ? (
        <Text textStyle="line" color="beet" fontWeight="700">
          Below the safe minimum.
        </Text>
      ) : null}
      {late ? (
        <Text textStyle="line" color="beet" fontWeight="700">
          Too late for that by the clock. Start cooking and eat at{" "}
          {clock(new Date(Date.now() + plan.eat_at_s * 1000))}.
        </Text>
      ) : null}
      <Text textStyle="dialled">
        {first.main}
        {first.after ? (
          <Text as="span" fontWeight="450">
            ; {first.after}
          </Text>
        ) : null}
      </Text>
      {others.length > 0 ? (
        <Text textStyle="line">
          Then {others.map((time, n) => `batch ${n + 2} for ${time}`).join(", ")}.
        </Text>
      ) : null}
      <Text textStyle="body" color="ink.say">
        {ahead >= 60 ? `Preparation from ${clockOf(-ahead)}, ${hours(ahead)} before. ` : ""}
        {out(plan, units)} On the table {table(plan, clockOf)}.
      </Text>
    </Box>
  );
}

/** When it comes out, at what, and what the rest makes of it. */
function out(plan: Plan, units: Units): string {
  const [early, late] = plan.pull_band_s ?? [];
  const when =
    plan.batches.length > 1 || early == null || late == null
      ? `Out after ${wholeMinutes(plan.pull_at_s)}`
      : `Out after ${between(early, late)}`;
  const { readings } = plan;
  // Plans of earlier versions tell the coldest spot.
  const shown = readings?.done_c ?? plan.goals?.inside_core_c ?? plan.pull_core_c;
  const later = readings
    ? `, ${temperature(readings.later_c, units)} on the plate two minutes later`
    : "";
  return `${when} at ${temperature(shown, units)}${plan.rest_s < 60 ? "" : later}.`;
}

/** "22 to 31 min". */
function between(early: number, late: number): string {
  const [from, to] = [wholeMinutes(early), wholeMinutes(late)];
  return from === to ? to : `${from.replace(/ min$/, "")} to ${to}`;
}

/** When it is on the table: a window as wide as that of the pull. */
function table(plan: Plan, clockOf: (seconds: number) => string): string {
  const [early, late] = plan.pull_band_s ?? [];
  if (early == null || late == null) return `at ${clockOf(plan.eat_at_s)}`;
  const after = plan.eat_at_s - plan.pull_at_s;
  const [from, to] = [clockOf(early + after), clockOf(late + after)];
  return from === to ? `at ${to}` : `${from} to ${to}`;
}
