// The keys, on one page.
import { Box, chakra, Dialog, Portal } from "@chakra-ui/react";
import { Action } from "../components/recipes";

const KEYS = [
  ["?", "these shortcuts"],
  ["n", "a new plan"],
  ["g then h", "today"],
  ["g then p, s, f, l, b, k", "Plan, Supper, Cook now, Logbook, Bench, Kitchen"],
  ["u", "the other units"],
  ["/", "search the logbook"],
  ["space", "at the fryer: done"],
  ["t", "at the fryer: a temperature"],
  ["d", "at the fryer: door open"],
  ["m", "at the fryer: sound on or off"],
] as const;

export default function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Dialog.Root open onOpenChange={(change) => !change.open && onClose()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="raised" borderRadius="key">
            <Dialog.Header>
              <Dialog.Title textStyle="title">Keyboard shortcuts</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body pb="6">
              <chakra.dl
                display="grid"
                gridTemplateColumns="auto 1fr"
                gap="2"
                columnGap="6"
                textStyle="body"
              >
                {KEYS.map(([key, what]) => (
                  <Box key={key} display="contents">
                    <chakra.dt fontWeight="700">{key}</chakra.dt>
                    <chakra.dd>{what}</chakra.dd>
                  </Box>
                ))}
              </chakra.dl>
            </Dialog.Body>
            <Dialog.CloseTrigger asChild>
              <Action type="button" look="plain" position="absolute" top="4" insetEnd="4">
                Close
              </Action>
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
