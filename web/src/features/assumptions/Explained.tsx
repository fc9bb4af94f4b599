// How the numbers came about: what went in, what was measured, what was taken, and what decides.
import { chakra, Text } from "@chakra-ui/react";
import type { Plan, Request } from "../../api/types";
import { length, minutes, setting, temperature, type Units } from "../../lib/units";

interface ExplainedProps {
  plan: Plan;
  request: Request;
  units: Units;
}

export function Explained({ plan, request, units }: ExplainedProps) {
  const measured = request.thickness_mm != null;
  const [first] = plan.assumptions;
  return (
    <chakra.details mt="3" textStyle="small" color="ink.say">
      <chakra.summary cursor="pointer" fontWeight="700" color="ink" py="1">
        How this was computed
      </chakra.summary>
      <Text mt="1">
        The heat equation is solved for a piece {length(plan.thickness_mm, units)} thick (
        {measured ? "measured" : "expected from its weight"}), starting at{" "}
        {temperature(plan.start_c, units)}, in air that {request.machine.name} heats to{" "}
        {setting(plan.setting_c, units)} with {request.machine.power_w} W. Water leaving the surface
        holds it back until a dry layer has grown.
      </Text>
      <Text mt="1.5">
        Out at {minutes(plan.pull_at_s)}:{" "}
        {plan.rest_completed
          ? `the core is at ${temperature(plan.pull_core_c, units)} then, and the rest is counted on for what is missing to ${temperature(plan.core_target_c, units)}, never for more than kitchens report.`
          : `the coldest spot has reached ${temperature(plan.core_target_c, units)} and the surface its colour.`}{" "}
        {plan.turn_at_s
          ? `Turned at ${minutes(plan.turn_at_s)}, because the upper face gets more heat than the lower.`
          : ""}
      </Text>
      {first ? (
        <Text mt="1.5">
          What would change it most is in the list of what is worth measuring. Model version{" "}
          {plan.model_version}.
        </Text>
      ) : null}
    </chakra.details>
  );
}
