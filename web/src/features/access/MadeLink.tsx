// A link that was just made: to be scanned or copied, and not shown again.
import { Box, Flex, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import type { MadeLink as Made } from "../../api/types";
import { Action } from "../../components/recipes";

export function MadeLink({ made, children }: { made: Made; children: ReactNode }) {
  const [copied, setCopied] = useState(false);
  return (
    <Flex gap="6" wrap="wrap" align="flex-start" my="3">
      {made.picture_svg ? (
        <Box bg="white" p="2" borderRadius="field">
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(made.picture_svg)}`}
            alt="Code to scan"
            width={200}
            height={200}
          />
        </Box>
      ) : null}
      <Box flex="1" minW="240px" maxW="reading" textStyle="line">
        <Text>{children}</Text>
        <Text fontFamily="mono" textStyle="small" mt="2" overflowWrap="anywhere">
          {made.address}
        </Text>
        {/* Browsers copy at a secure origin only. */}
        {navigator.clipboard ? (
          <Action
            type="button"
            look="plain"
            px="0"
            onClick={() =>
              void navigator.clipboard.writeText(made.address).then(() => setCopied(true))
            }
          >
            {copied ? "Copied" : "Copy link"}
          </Action>
        ) : null}
      </Box>
    </Flex>
  );
}
