// One dish of a supper, in words that can be changed.
import { Box, Flex } from "@chakra-ui/react";
import { Action } from "../../components/recipes";
import { CookWords } from "./CookWords";
import type { DishLineProps } from "./props";
import { SideWords } from "./SideWords";

export function DishLine(props: DishLineProps) {
  const { supper, number, name, onRemove } = props;
  const dish = supper.dishes[number];
  return (
    <Flex
      as="li"
      gap="4"
      justify="space-between"
      align="baseline"
      borderTop="1px solid"
      borderColor="line"
      py="2"
    >
      <Box textStyle="line" color="ink.say">
        {dish?.cook ? (
          <CookWords {...props} request={dish.cook.request} method={dish.cook.method} />
        ) : dish?.side ? (
          <SideWords {...props} side={dish.side} />
        ) : null}
      </Box>
      <Action
        type="button"
        look="plain"
        whiteSpace="nowrap"
        aria-label={`Leave out ${name}`}
        className="no-print"
        onClick={onRemove}
      >
        Leave out
      </Action>
    </Flex>
  );
}
