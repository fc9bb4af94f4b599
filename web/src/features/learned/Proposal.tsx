// The one reading of a planned cook that would say most.
import { Text } from "@chakra-ui/react";
import type { LearnedEffect } from "../../api/types";
import { PlaceLink } from "../../components/PlaceLink";
import { minutes } from "../../lib/units";

export const Proposal = ({ proposal }: { proposal: NonNullable<LearnedEffect["proposal"]> }) => (
  <Text textStyle="body" maxW="reading" mb="4">
    Worth reading: {minutes(proposal.at_s)} after loading{" "}
    <PlaceLink
      to="/fryer/$id"
      params={{ id: proposal.cook }}
      textDecoration="underline"
      textUnderlineOffset="3px"
    >
      {proposal.name}
    </PlaceLink>
    . It would narrow the time it comes out from {minutes(proposal.window_s)} to{" "}
    {minutes(proposal.window_after_s)}, and say most about the machine.
  </Text>
);
