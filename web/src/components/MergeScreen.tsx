// The same thing, changed on two devices: both versions beside one another, to decide where they differ.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Action } from "./recipes";

export interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

interface MergeScreenProps {
  differences: Difference[];
  /** The changes of the other device that were merged, in words. */
  taken: string[];
  /** Which of the differences are to be as on the other device. */
  onDecide: (theirs: boolean[]) => void;
  onCancel: () => void;
}

export function MergeScreen({ differences, taken, onDecide, onCancel }: MergeScreenProps) {
  const [theirs, setTheirs] = useState(() => differences.map(() => false));
  return (
    <Box as="section" aria-label="Changed on two devices" role="alert" bg="well" p="4" my="3">
      <Text as="h2" textStyle="section">
        Changed on another device too
      </Text>
      <Text textStyle="line" mb="3">
        Choose what is to stand. Nothing is saved before you do.
      </Text>
      {differences.map((one, n) => (
        <chakra.fieldset key={one.what} border="0" mb="3">
          <chakra.legend textStyle="small" fontWeight="650">
            {one.what}
          </chakra.legend>
          {[false, true].map((other) => (
            <chakra.label
              key={String(other)}
              display="flex"
              gap="2"
              alignItems="baseline"
              minH="8"
              textStyle="line"
            >
              <chakra.input
                accentColor="ember"
                type="radio"
                name={`difference-${n}`}
                checked={theirs[n] === other}
                onChange={() => setTheirs(theirs.map((was, m) => (m === n ? other : was)))}
              />
              <span>
                {other ? "other device" : "this device"}: <b>{other ? one.theirs : one.mine}</b>
              </span>
            </chakra.label>
          ))}
        </chakra.fieldset>
      ))}
      {taken.length > 0 ? (
        <Text textStyle="small" mb="3">
          Taken from the other device: {taken.join(", ")}.
        </Text>
      ) : null}
      <Flex gap="2" wrap="wrap">
        <Action type="button" look="solid" onClick={() => onDecide(theirs)}>
          Save this
        </Action>
        <Action type="button" look="plain" onClick={onCancel}>
          Back to my changes
        </Action>
      </Flex>
    </Box>
  );
}
