// What the cook should know before starting.
import { Stack } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { Caution } from "../../components/Notice";
import { render } from "../../domain/message";
import { temperature, type Units } from "../../lib/units";

export function Warnings({ plan, units }: { plan: Plan; units: Units }) {
  const { floor } = plan;
  return (
    <Stack gap="2.5">
      {plan.warnings.map((warning) => (
        <Caution key={warning.kind}>{render(warning.message, units)}</Caution>
      ))}
      {floor.core_c != null && !plan.below_floor ? (
        <Caution>
          Done is {temperature(floor.core_c, units)} at the coldest spot ({floor.authority}). Colour
          and juices do not tell; your local authority decides.
        </Caution>
      ) : null}
    </Stack>
  );
}
