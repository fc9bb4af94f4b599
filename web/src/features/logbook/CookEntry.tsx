// A cook in a list: its words beside its strip.
import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { CookRow } from "../../api/types";
import { day } from "../../lib/clock";
import { mass, temperature, type Units } from "../../lib/units";
import { LogStrip } from "./LogStrip";

interface CookEntryProps {
  row: CookRow;
  units: Units;
  children: ReactNode;
}

export function CookEntry({ row, units, children }: CookEntryProps) {
  return (
    <Box
      as="article"
      borderTop="1px solid"
      borderColor="line"
      py="4"
      display="grid"
      gridTemplateColumns={{ base: "1fr", md: "minmax(0, 5fr) minmax(0, 6fr)" }}
      columnGap="8"
      rowGap="3"
    >
      <Box>{children}</Box>
      <LogStrip
        picture={row.picture}
        steps={row.steps}
        pullAt={row.pull_at_s}
        turnAt={row.turn_at_s}
        marks={row.marks}
        units={units}
      />
    </Box>
  );
}

/** A cook to pick by its name and day. */
export const cookOption = ({ id, name, started_at }: CookRow) => ({
  value: id,
  text: started_at ? `${name}, ${day(new Date(started_at), new Date())}` : name,
});

/** "8 × 115 g in the drum" */
export const loadWords = ({ request }: CookRow, units: Units) =>
  `${request.pieces} × ${mass(request.piece_mass_g, units)} in ${request.machine.name}`;

/** "juicy, 77 °C" */
export const targetWords = (
  cook: { target_name?: string | null; core_target_c: number },
  units: Units,
) => `${cook.target_name ? `${cook.target_name}, ` : ""}${temperature(cook.core_target_c, units)}`;
