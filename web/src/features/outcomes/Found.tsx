// What the cook will find: colour and bite of each face, the section, the scale, and how safe it is.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { minutes, temperature, type Units } from "../../lib/units";
import { Section } from "./Section";

interface FoundProps {
  plan: Plan;
  units: Units;
  /** The region whose floor applies, in words. */
  region: string;
}

export function Found({ plan, units, region }: FoundProps) {
  const { outcomes } = plan;
  if (!outcomes) {
    return (
      <Text textStyle="small" color="ink.soft">
        This plan was kept by an earlier version, which did not say.
      </Text>
    );
  }
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  const rows: [string, string][] = [
    ...outcomes.faces.map((face, n): [string, string] => [
      n === 0 ? "Starts above" : "The other face",
      `${face.browning}, ${face.crispness.replace("_", " ")}; dry ${face.dry_layer_mm.toFixed(1)} mm deep`,
    ]),
    [
      "On the scale",
      `${percent(outcomes.cooked_yield)} is left, ${percent(plan.water_lost)} went as steam`,
    ],
    ...outcomes.done.map((texture): [string, string] => [
      `Done to ${texture.name}`,
      `${percent(texture.at_pull)} of the depth, ${percent(texture.after_rest)} rested`,
    ]),
    ["Electricity", `${(outcomes.energy_wh / 1000).toFixed(2)} kWh`],
  ];
  return (
    <Box>
      <Section outcomes={outcomes} units={units} />
      <chakra.dl mt="2">
        {rows.map(([what, found]) => (
          <Box
            key={what}
            display="flex"
            justifyContent="space-between"
            gap="3"
            borderTop="1px solid"
            borderColor="line"
            py="1.5"
            textStyle="small"
          >
            <chakra.dt color="ink.say" whiteSpace="nowrap">
              {what}
            </chakra.dt>
            <chakra.dd m="0" textAlign="right">
              {found}
            </chakra.dd>
          </Box>
        ))}
      </chakra.dl>
      <Safety plan={plan} outcomes={outcomes} units={units} region={region} />
    </Box>
  );
}

/** Long enough at 70 °C to be told in words: more would only be a larger number, s. */
const PLENTY = 3600;

function Safety({
  plan,
  outcomes,
  units,
  region,
}: FoundProps & { outcomes: NonNullable<Plan["outcomes"]> }) {
  const { floor } = plan;
  const held =
    outcomes.at_70_s > PLENTY
      ? "more than an hour's worth"
      : `${(outcomes.at_70_s / 60).toFixed(1)} minutes' worth`;
  return (
    <Text textStyle="small" mt="2">
      <Text as="span" fontWeight="700">
        {floor.core_c == null
          ? `${region}: ${floor.authority} asks for a seared outside.`
          : `${region}: ${floor.authority} asks for ${temperature(floor.core_c, units)}${floor.hold_s > 0 ? ` for ${minutes(floor.hold_s)}` : ""}${floor.rest_s > 0 ? ` and ${minutes(floor.rest_s)} rest` : ""}.`}
      </Text>{" "}
      The coldest spot gets {held} of {temperature(70, units)}, about{" "}
      {Math.floor(outcomes.log_reductions)} factors of ten. That informs; the floor stands.
    </Text>
  );
}
