// A cook that is over: on to the logbook.

import type { Cook } from "../../api/types";
import { Empty } from "../../components/Notice";
import { PlaceLink } from "../../components/PlaceLink";

export function Closed({ cook }: { cook: Cook }) {
  return (
    <Empty title={cook.name}>
      This cook is in the logbook.{" "}
      <PlaceLink
        to="/logbook/$id"
        params={{ id: cook.id }}
        textDecoration="underline"
        fontWeight="700"
      >
        See how it went against the plan
      </PlaceLink>
      .
    </Empty>
  );
}
