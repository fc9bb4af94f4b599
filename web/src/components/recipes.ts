// Looks shared by many places.
import { chakra, defineRecipe } from "@chakra-ui/react";

const word = defineRecipe({
  base: {
    fontWeight: "650",
    color: "ink",
    borderBottom: "3px solid",
    borderColor: "amber",
    px: "1px",
    cursor: "pointer",
    textAlign: "start",
    lineHeight: "1.22",
    _hover: { borderColor: "ember" },
    _expanded: { bg: "well", borderColor: "ember" },
  },
  variants: {
    state: {
      told: {},
      guessed: { borderBottomStyle: "dotted", borderColor: "ink.soft" },
      wrong: {
        borderColor: "beet",
        color: "beet",
        borderBottomStyle: "double",
        borderBottomWidth: "5px",
      },
    },
  },
  defaultVariants: { state: "told" },
});

/** A word of the sentence. */
export const WordButton = chakra("button", word);

export const action = defineRecipe({
  base: {
    textStyle: "button",
    borderRadius: "field",
    px: "4.5",
    py: "2.5",
    minH: "11",
    cursor: "pointer",
    border: "2px solid transparent",
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    gap: "2",
    textAlign: "center",
    _disabled: { opacity: 0.55, cursor: "not-allowed" },
  },
  variants: {
    look: {
      solid: { bg: "solid", color: "solid.ink", _hover: { bg: "ember" } },
      quiet: { borderColor: "ink", color: "ink", _hover: { bg: "well" } },
      zest: { bg: "zest", color: "zest.ink", _hover: { filter: "brightness(1.06)" } },
      inline: {
        color: "ink",
        p: "0",
        minH: "0",
        display: "inline",
        textStyle: "inherit",
        fontWeight: "650",
        textDecoration: "underline",
        textUnderlineOffset: "3px",
        textAlign: "start",
      },
      plain: { color: "ink", px: "2", textDecoration: "underline", textUnderlineOffset: "3px" },
    },
    big: { true: { minH: "bigButton", textStyle: "bigButton", borderRadius: "key", w: "full" } },
    tall: { true: { minH: "tallButton", textStyle: "tallButton", borderRadius: "key", w: "full" } },
  },
  defaultVariants: { look: "quiet" },
});

/** A thing to press. */
export const Action = chakra("button", action);

const option = defineRecipe({
  base: {
    display: "block",
    w: "full",
    textAlign: "start",
    px: "3",
    py: "2",
    borderRadius: "word",
    cursor: "pointer",
    textStyle: "body",
    color: "ink",
    _hover: { bg: "well" },
    _focusVisible: { bg: "well" },
  },
  variants: { chosen: { true: { fontWeight: "700", boxShadow: "inset 3px 0 0 {colors.ember}" } } },
});

/** One of several to choose from. */
export const Option = chakra("button", option);
