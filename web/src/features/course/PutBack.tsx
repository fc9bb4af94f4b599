// Out, and not done: back in, as it is or in slices.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Cook, Happening } from "../../api/types";
import { Action } from "../../components/recipes";
import { minutes } from "../../lib/units";

interface PutBackProps {
  cook: Cook;
  onTell: (happening: Happening) => void;
}

export function PutBack({ cook, onTell }: PutBackProps) {
  const estimate = cook.course?.estimate;
  if (!cook.course?.pulled_at || !estimate || estimate.back_in_s == null) return null;
  return (
    <Box role="alert" borderLeft="5px solid" borderColor="beet" ps="3" py="1" mb="4">
      <Text textStyle="title">Put it back, about {minutes(estimate.back_in_s)}</Text>
      <Text textStyle="line" color="ink.say" mb="3">
        It is not done. In slices or opened flat it needs less.
      </Text>
      <Flex gap="3">
        <Action type="button" tall onClick={() => onTell({ kind: "put_back", cut: false })}>
          Put back whole
        </Action>
        <Action type="button" tall onClick={() => onTell({ kind: "put_back", cut: true })}>
          Put back in slices
        </Action>
      </Flex>
    </Box>
  );
}
