// What the cook will find: colour and bite of each face, the section, the scale, and how safe it is.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Plan } from "../../api/types";
import { decimal, mass, minutes, share, temperature, thin, type Units } from "../../lib/units";
import { Goals } from "./Goals";
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
  const rows: [string, string][] = [
    ...outcomes.faces.map((face, n): [string, string] => [
      n === 0 ? "Starts above" : "The other face",
      `${face.browning}, ${face.crispness.replace("_", " ")}; dry ${thin(face.dry_layer_mm, units)} deep`,
    ]),
    [
      "On the scale",
      `${share(outcomes.cooked_yield)} is left, ${share(plan.water_lost)} went as steam`,
    ],
    [
      "In the machine",
      outcomes.dripped_g >= 1
        ? `${mass(outcomes.dripped_g, units)} of drippings, ${mass(outcomes.rendered_g, units)} of it fat`
        : "hardly any drippings",
    ],
    ...outcomes.done.map((texture): [string, string] => [
      `Done to ${texture.name}`,
      `${share(texture.at_pull)} of the depth, ${share(texture.after_rest)} rested`,
    ]),
    ["Electricity", `${decimal(outcomes.energy_wh / 1000, 2)} kWh`],
  ];
  return (
    <Box>
      <Goals plan={plan} units={units} />
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

/** A time at 70 °C that is written in words: a longer one would only be a larger number, s. */
const PLENTY = 3600;

function Safety({
  plan,
  outcomes,
  units,
  region,
}: FoundProps & { outcomes: NonNullable<Plan["outcomes"]> }) {
  const { floor } = plan;
  const held =
    outcomes.at_70_s > PLENTY ? "more than an hour" : `${decimal(outcomes.at_70_s / 60, 1)} min`;
  return (
    <Text textStyle="small" mt="2">
      <Text as="span" fontWeight="700">
        {floor.core_c == null
          ? `${region}: ${floor.authority} asks for a seared outside.`
          : `${region}: ${floor.authority} asks for ${temperature(floor.core_c, units)}${floor.hold_s > 0 ? ` for ${minutes(floor.hold_s)}` : ""}${floor.rest_s > 0 ? ` and ${minutes(floor.rest_s)} rest` : ""}.`}
      </Text>{" "}
      At the coldest spot it is as if held at {temperature(70, units)} for {held}: that kills
      bacteria to one in 10<sup>{Math.floor(outcomes.log_reductions)}</sup> (log reduction). The
      safe minimum still applies.
    </Text>
  );
}
