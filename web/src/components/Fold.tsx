// A section as one line with its gist, which unfolds; whether it is open is remembered.
import { Box, chakra, Text } from "@chakra-ui/react";
import { type ReactNode, useId } from "react";
import { useShown } from "../lib/remembered";

interface FoldProps {
  /** What its state is remembered by. */
  name: string;
  title: string;
  /** Its contents in a few words. */
  gist?: string;
  /** Whether it is open until the cook changes that. */
  usually?: boolean;
  children: ReactNode;
}

export function Fold({ name, title, gist, usually = false, children }: FoldProps) {
  const [open, setOpen] = useShown(name, usually);
  const id = useId();
  return (
    <Box as="section" borderTop="1px solid" borderColor="line" minW="0">
      <Text as="h2" textStyle="section">
        <chakra.button
          type="button"
          display="flex"
          w="full"
          minH="11"
          py="2"
          gap="3"
          alignItems="baseline"
          textAlign="start"
          cursor="pointer"
          aria-expanded={open}
          aria-controls={open ? id : undefined}
          onClick={() => setOpen(!open)}
        >
          <chakra.span aria-hidden w="3" color="ink.soft">
            {open ? "−" : "+"}
          </chakra.span>
          <chakra.span whiteSpace="nowrap">{title}</chakra.span>
          {gist && !open ? (
            <chakra.span textStyle="small" fontWeight="400" color="ink.soft" minW="0">
              {gist}
            </chakra.span>
          ) : null}
        </chakra.button>
      </Text>
      {open ? (
        <Box id={id} pb="5" pt="1">
          {children}
        </Box>
      ) : null}
    </Box>
  );
}
