// Lines that tell something besides the work itself: one look each for safety, trouble and news.
import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Action } from "./recipes";

/** A caution: a beet edge, ordinary ink, never the look of an error. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <Box borderStart="4px solid" borderColor="beet" ps="3" py="0.5" textStyle="small" color="ink">
      {children}
    </Box>
  );
}

/** Something that went wrong, with the way out. */
export function Trouble({ children, onRetry }: { children: ReactNode; onRetry?: () => void }) {
  return (
    <Box role="alert" bg="well" borderRadius="field" px="4" py="3" textStyle="body" color="beet">
      {children}
      {onRetry ? (
        <Action type="button" look="plain" color="beet" onClick={onRetry}>
          Try again
        </Action>
      ) : null}
    </Box>
  );
}

/** An empty place says what will be here, and offers the first step. */
export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box py="10" maxW="reading">
      <Text as="h1" textStyle="title" mb="2">
        {title}
      </Text>
      <Box textStyle="line" color="ink.say">
        {children}
      </Box>
    </Box>
  );
}

/** The number of reports that this device has not sent yet. */
export function NotSent({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <Text role="status" textStyle="small" color="ink.soft" mt="2">
      {count} not sent yet
    </Text>
  );
}

/** Something is on its way. */
export function Waiting({ children }: { children: ReactNode }) {
  return (
    <Text role="status" textStyle="line" color="ink.soft" py="8">
      {children}
    </Text>
  );
}
