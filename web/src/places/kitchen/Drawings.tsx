// A machine drawn to scale, from above and from the side.
import { Box, Grid, Text } from "@chakra-ui/react";
import type { Machine } from "../../api/types";
import { KINDS } from "../../domain/kinds";
import { Floor } from "../../features/basket/Floor";
import { SideView } from "../../features/basket/SideView";
import { count } from "../../lib/text";
import { length, lengths, setting, type Units } from "../../lib/units";

export function Drawings({ machine, units }: { machine: Machine; units: Units }) {
  return (
    <Grid templateColumns={{ base: "1fr", md: "1fr 1fr" }} gap="8">
      <Box as="figure" m="0">
        <Floor
          machine={machine}
          role="img"
          label={`From above: ${floorWords(machine, units)}; the fan above turns the air`}
        />
        <Text as="figcaption" textStyle="small" color="ink.soft" textAlign="center">
          From above, {floorWords(machine, units)}; dotted: the element above; arrows: its fan
        </Text>
      </Box>
      <Box as="figure" m="0">
        <SideView machine={machine} units={units} />
        <Text as="figcaption" textStyle="small" color="ink.soft" textAlign="center">
          From the side
        </Text>
      </Box>
    </Grid>
  );
}

export function floorWords(machine: Machine, units: Units): string {
  return machine.floor_shape === "round"
    ? `${length(machine.floor_width_mm, units)} across`
    : lengths(machine.floor_width_mm, machine.floor_depth_mm, units);
}

/** A machine in one line. */
export function machineWords(machine: Machine, units: Units): string {
  return [
    KINDS[machine.kind],
    floorWords(machine, units),
    `${length(machine.height_mm, units)} high`,
    `${Math.round(machine.power_w)} W`,
    `up to ${setting(machine.highest_c, units)}`,
    ...(machine.racks_mm?.length ? [count(machine.racks_mm.length, "rack")] : []),
    ...(machine.spit ? ["a spit"] : []),
    ...(machine.tumbler_l ? ["a tumbling basket"] : []),
  ].join(", ");
}
