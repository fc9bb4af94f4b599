// Out, and not done: back in, as it is or in slices.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Happening } from "../../api/types";
import { Action } from "../../components/recipes";
import { wholeMinutes } from "../../lib/units";

interface PutBackProps {
  /** How long it takes, as it is. */
  seconds: number;
  onTell: (happening: Happening) => void;
}

export function PutBack({ seconds, onTell }: PutBackProps) {
  return (
    <Box role="alert" mb="4">
      <Text as="h1" textStyle="instruction">
        Put it back
      </Text>
      <Text textStyle="count" color="ember" my="1">
        {wholeMinutes(Math.max(60, seconds))}
      </Text>
      <Text textStyle="line" color="ink.say" mb="3">
        It is not done. In slices or opened flat it needs less.
      </Text>
      <Flex gap="2.5">
        <Action
          type="button"
          look="zest"
          tall
          px="2"
          onClick={() => onTell({ kind: "put_back", cut: false })}
        >
          Put back whole
        </Action>
        <Action type="button" tall px="2" onClick={() => onTell({ kind: "put_back", cut: true })}>
          Put back in slices
        </Action>
      </Flex>
    </Box>
  );
}
