// A word of a sentence that opens to be changed.
import { Popover, Portal, Text } from "@chakra-ui/react";
import { type ReactNode, useRef, useState } from "react";
import { WordButton } from "./recipes";

interface WordProps {
  /** What the word stands for; read with its value by a screen reader. */
  label: string;
  text: string;
  state?: "told" | "guessed" | "wrong";
  /** What a guessed word is worth, told beside its name. */
  hint?: string;
  children: (close: () => void) => ReactNode;
}

export function Word({ label, text, state = "told", hint, children }: WordProps) {
  const [open, setOpen] = useState(false);
  const first = useRef<HTMLDivElement>(null);
  const close = () => setOpen(false);
  return (
    <Popover.Root
      open={open}
      onOpenChange={(change) => setOpen(change.open)}
      positioning={{ placement: "bottom-start" }}
      lazyMount
      unmountOnExit
      initialFocusEl={() => first.current?.querySelector("[data-first]") ?? null}
    >
      <Popover.Trigger asChild>
        <WordButton
          state={state}
          aria-label={`${label}: ${text}${state === "guessed" ? ", assumed" : ""}`}
          title={state === "guessed" ? `assumed${hint ? `, ${hint}` : ""}` : undefined}
        >
          {text}
        </WordButton>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            ref={first}
            w="popover"
            maxW="phone"
            bg="raised"
            borderColor="line"
            borderWidth="1px"
            borderRadius="field"
            p="3"
            boxShadow="lg"
            aria-label={label}
          >
            <Text textStyle="section" mb="2">
              {label}
              {hint ? (
                <Text as="span" color="ink.soft" fontWeight="400">
                  {" "}
                  · {hint}
                </Text>
              ) : null}
            </Text>
            {children(close)}
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
