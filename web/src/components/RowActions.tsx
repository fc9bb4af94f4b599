// What can be done to one row of a list that the cook orders.
import { Flex } from "@chakra-ui/react";
import { Action } from "./recipes";

interface RowAction {
  /** The whole order, for who cannot see the row. */
  label: string;
  onPress: () => void;
}

interface RowActionsProps {
  /** Not for the first one. */
  earlier?: RowAction | undefined;
  out: RowAction & { text: string };
}

export function RowActions({ earlier, out }: RowActionsProps) {
  return (
    <Flex gap="1">
      {earlier ? <Small {...earlier} text="Earlier" /> : null}
      <Small {...out} />
    </Flex>
  );
}

const Small = ({ label, text, onPress }: RowAction & { text: string }) => (
  <Action type="button" look="plain" textStyle="small" aria-label={label} onClick={onPress}>
    {text}
  </Action>
);
