// Every method in one table: what it takes, and what it does.
import { Box, chakra, Text } from "@chakra-ui/react";
import type { Method } from "../../api/types";
import { Action } from "../../components/recipes";
import { hours, minutes, smallMass, type Units } from "../../lib/units";

interface MethodsProps {
  methods: Method[];
  shown: string;
  chosen: string | undefined;
  units: Units;
  onShow: (id: string) => void;
}

export function Methods({ methods, shown, chosen, units, onShow }: MethodsProps) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label="Methods compared">
      <chakra.table textStyle="small" w="full" css={{ "& td, & th": { py: "1", pe: "3" } }}>
        <chakra.thead textAlign="start">
          <tr>
            {["method", "takes", "cook", "crisp after", "loses"].map((head) => (
              <chakra.th
                key={head}
                scope="col"
                textAlign="start"
                color="ink.soft"
                fontWeight="400"
                whiteSpace="nowrap"
              >
                {head}
              </chakra.th>
            ))}
          </tr>
        </chakra.thead>
        <tbody>
          {methods.map((method) => (
            <chakra.tr
              key={method.id}
              borderTop="1px solid"
              borderColor="line"
              bg={method.id === shown ? "well" : undefined}
            >
              <chakra.th scope="row" textAlign="start" fontWeight="400">
                <Action
                  type="button"
                  look="inline"
                  aria-pressed={method.id === shown}
                  fontWeight={method.id === chosen ? "700" : "400"}
                  onClick={() => onShow(method.id)}
                >
                  {method.name}
                </Action>
                {method.own ? (
                  <Text as="span" color="ink.soft">
                    {" "}
                    · your own
                  </Text>
                ) : null}
                {method.id === chosen ? " ✓" : ""}
              </chakra.th>
              <chakra.td whiteSpace="nowrap">{hours(method.time_s)}</chakra.td>
              {method.worth ? (
                <Worth worth={method.worth} units={units} />
              ) : (
                <chakra.td colSpan={3} color="ink.soft">
                  not possible
                </chakra.td>
              )}
            </chakra.tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  );
}

interface WorthProps {
  worth: NonNullable<Method["worth"]>;
  units: Units;
}

const Worth = ({ worth, units }: WorthProps) => (
  <>
    <chakra.td whiteSpace="nowrap">{minutes(worth.cook_s)}</chakra.td>
    <chakra.td whiteSpace="nowrap">
      {worth.crisp_at_s == null ? worth.crispness : minutes(worth.crisp_at_s)}
    </chakra.td>
    <chakra.td whiteSpace="nowrap">
      {worth.water_lost_g > 0.05 ? smallMass(worth.water_lost_g, units) : "–"}
    </chakra.td>
  </>
);
