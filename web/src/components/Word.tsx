// A word of a sentence that opens to be changed.
import { Popover, Portal, Text } from "@chakra-ui/react";
import { type ReactNode, useEffect, useId, useRef, useState } from "react";
import { WordButton } from "./recipes";

interface WordProps {
  /** The meaning of the word; a screen reader reads it with the value. */
  label: string;
  text: string;
  state?: "told" | "guessed" | "wrong";
  /** The effect of a guessed word, shown beside its name. */
  hint?: string;
  children: (close: () => void) => ReactNode;
}

export function Word({ label, text, state = "told", hint, children }: WordProps) {
  const [open, setOpen] = useState(false);
  // A sentence has some thirty words. The popover of a word is made when the cook first opens it. It is made closed,
  // because it takes the focus at the change from closed to open.
  const [asked, setAsked] = useState(false);
  useEffect(() => setOpen(asked), [asked]);
  const trigger = useId();
  const first = useRef<HTMLDivElement>(null);
  const close = () => setOpen(false);
  return (
    <>
      <WordButton
        id={trigger}
        type="button"
        state={state}
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={`${label}: ${text}${state === "guessed" ? ", assumed" : ""}`}
        title={state === "guessed" ? `assumed${hint ? `, ${hint}` : ""}` : undefined}
        onClick={() => (asked ? setOpen(!open) : setAsked(true))}
      >
        {text}
      </WordButton>
      {asked ? (
        <Popover.Root
          ids={{ trigger }}
          open={open}
          onOpenChange={(change) => setOpen(change.open)}
          positioning={{ placement: "bottom-start" }}
          lazyMount
          unmountOnExit
          initialFocusEl={() => first.current?.querySelector("[data-first]") ?? null}
        >
          <Portal>
            <Popover.Positioner className="no-print">
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
      ) : null}
    </>
  );
}
