// Which supper it is for, and when that is on the table.
import { Text } from "@chakra-ui/react";
import type { KeptSupper } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { clock, day } from "../../lib/clock";

export function SupperLine({ kept, now }: { kept: KeptSupper; now: number }) {
  const serve = new Date(kept.plan.serve_at);
  return (
    <Text textStyle="small" color="ink.soft" pb="3">
      <PlaceLink
        to="/supper/$id"
        params={{ id: kept.id }}
        textDecoration="underline"
        textUnderlineOffset="3px"
      >
        {kept.supper.name}
      </PlaceLink>
      , on the table {day(serve, new Date(now))} at {clock(serve)}
    </Text>
  );
}
