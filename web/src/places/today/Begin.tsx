// Where nothing is on: three sentences to start from.
import { Box, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery, machinesQuery } from "../../api/queries";
import type { Catalogue, Machine, Request } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { planOf } from "../../domain/address";
import { usualIn } from "../../domain/request";
import { type Settings, useSettings } from "../../domain/settings";
import { mass } from "../../lib/units";

const CUTS: Request["cut"][] = ["party_wing", "drumstick", "pork_chop"];

/** Usual sentences of well-known cuts in the first machine there is. */
function useBeginnings(): Request[] {
  const catalogue = useQuery(catalogueQuery());
  const machines = useQuery(machinesQuery());
  const settings = useSettings();
  const machine = machines.data?.items[0]?.machine ?? catalogue.data?.machine_presets[0]?.machine;
  return catalogue.data && machine ? beginnings(catalogue.data, machine, settings) : [];
}

const beginnings = (catalogue: Catalogue, machine: Machine, settings: Settings) =>
  CUTS.flatMap((cut) => {
    const entry = catalogue.cuts.find((one) => one.cut === cut);
    return entry ? [usualIn(entry, machine, settings)] : [];
  });

export function Begin() {
  const requests = useBeginnings();
  const catalogue = useQuery(catalogueQuery());
  const units = useSettings();
  return (
    <Box as="section" mb="8">
      <Text textStyle="line" mb="2">
        Nothing is cooking. Start with one of these, and change every word of it:
      </Text>
      <Box as="ul" listStyleType="none">
        {requests.map((request) => (
          <Box as="li" key={request.cut} borderTop="1px solid" borderColor="line">
            <PlaceLink
              to="/plan"
              {...planOf(request)}
              display="block"
              py="3"
              textStyle="say"
              _hover={{ textDecoration: "underline" }}
            >
              Cook {request.pieces}{" "}
              {catalogue.data?.cuts.find((cut) => cut.cut === request.cut)?.plural},{" "}
              {mass(request.piece_mass_g, units)} each, in {request.machine.name}
            </PlaceLink>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
