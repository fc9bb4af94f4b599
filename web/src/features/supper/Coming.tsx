// Suppers that are coming, each with its next thing.
import { Box, Text } from "@chakra-ui/react";
import { PlaceLink } from "../../components/PlaceLink";
import { clock, day } from "../../lib/clock";
import { useNow } from "../../lib/hooks";
import { nextMoment } from "./next";
import { useComing } from "./useComing";

export function Coming() {
  const now = useNow(15_000);
  const coming = useComing(now);
  if (coming.length === 0) return null;
  const at = (time: string) => `${day(new Date(time), new Date(now))} ${clock(new Date(time))}`;
  return (
    <Box as="section" mb="8">
      <Text as="h2" textStyle="title" mb="3">
        Suppers
      </Text>
      {coming.map((one) => {
        const next = nextMoment(one, now);
        return (
          <PlaceLink
            key={one.id}
            to="/supper/$id"
            params={{ id: one.id }}
            display="block"
            py="4"
            borderTop="1px solid"
            borderColor="line"
            textStyle="line"
            _hover={{ bg: "well" }}
          >
            <Text as="span" fontWeight="700">
              {one.supper.name}
            </Text>
            , on the table {at(one.plan.serve_at)}
            {next ? (
              <Text as="span" display="block" color="ink.soft">
                next: {next.what}, {at(next.at)}
              </Text>
            ) : null}
          </PlaceLink>
        );
      })}
    </Box>
  );
}
