// What time in the fridge does to bare skin: half an hour against a day, in numbers.
import { chakra, Text } from "@chakra-ui/react";
import type { Preparation } from "../../api/types";
import { hours, minutes, smallMass, thin, type Units } from "../../lib/units";

interface BareProps {
  bare: Preparation["bare"];
  units: Units;
}

export function Bare({ bare, units }: BareProps) {
  if (bare.length === 0) return null;
  const rows: [string, (one: Preparation["bare"][number]) => string][] = [
    ["loses", ({ worth }) => smallMass(worth.water_lost_g, units)],
    ["skin dry", ({ worth }) => thin(worth.dry_layer_mm, units)],
    [
      "crisp after",
      ({ worth }) => (worth.crisp_at_s == null ? worth.crispness : minutes(worth.crisp_at_s)),
    ],
  ];
  return (
    <chakra.table textStyle="small" w="full" mt="4" css={{ "& td, & th": { py: "1", pe: "3" } }}>
      <chakra.caption textAlign="start" mb="1">
        <Text textStyle="section">Bare in the fridge, each piece</Text>
      </chakra.caption>
      <thead>
        <tr>
          <chakra.th scope="col" textAlign="start" color="ink.soft" fontWeight="400">
            bare for
          </chakra.th>
          {bare.map((one) => (
            <chakra.th
              key={one.bare_s}
              scope="col"
              textAlign="start"
              color="ink.soft"
              fontWeight="400"
            >
              {hours(one.bare_s)}
            </chakra.th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([head, of]) => (
          <chakra.tr key={head} borderTop="1px solid" borderColor="line">
            <chakra.th scope="row" textAlign="start" fontWeight="400" color="ink.soft">
              {head}
            </chakra.th>
            {bare.map((one) => (
              <chakra.td key={one.bare_s} whiteSpace="nowrap">
                {of(one)}
              </chakra.td>
            ))}
          </chakra.tr>
        ))}
      </tbody>
    </chakra.table>
  );
}
