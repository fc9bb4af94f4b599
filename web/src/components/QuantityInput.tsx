// A number with its unit: typed, stepped or slid. `understand` reads the typed text: it
// returns a number, or throws an Error whose message is shown.
import { Flex, Input, Slider, Text } from "@chakra-ui/react";
import { type ReactNode, useId, useRef, useState } from "react";
import { Action } from "./recipes";

interface QuantityInputProps {
  label: string;
  value: number;
  show: (value: number) => string;
  understand: (text: string) => Promise<number>;
  range: [number, number];
  step: number;
  onChange: (value: number) => void;
  onDone: () => void;
  children?: ReactNode;
}

export function QuantityInput(props: QuantityInputProps) {
  const { label, value, show, understand, range, step, onChange, onDone, children } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const id = useId();
  const [low, high] = range;
  // Counts the typed texts: an answer to an earlier text comes too late.
  const asked = useRef(0);

  const set = (next: number) => {
    asked.current += 1;
    setTyped(null);
    setWrong(null);
    onChange(Math.min(high, Math.max(low, next)));
  };
  const apply = async () => {
    if (typed === null) return onDone();
    asked.current += 1;
    const own = asked.current;
    try {
      const next = await understand(typed);
      if (own !== asked.current) return;
      setWrong(null);
      onChange(next);
      onDone();
    } catch (error) {
      // The typed text stays, so that it can be corrected.
      setWrong(error instanceof Error ? error.message : "That was not understood.");
    }
  };
  const by = (direction: number) => set((Math.round(value / step) + direction) * step);

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void apply();
      }}
    >
      <Flex gap="2" align="stretch">
        <Action type="button" aria-label={`${label} less`} onClick={() => by(-1)} px="3.5">
          −
        </Action>
        <Input
          data-first
          aria-label={label}
          aria-invalid={wrong !== null}
          aria-describedby={wrong ? id : undefined}
          textStyle="time"
          textAlign="center"
          h="auto"
          minH="11"
          flex="1"
          value={typed ?? show(value)}
          onFocus={(event) => event.target.select()}
          onChange={(event) => {
            asked.current += 1;
            setTyped(event.target.value);
          }}
        />
        <Action type="button" aria-label={`${label} more`} onClick={() => by(1)} px="3.5">
          +
        </Action>
      </Flex>
      {wrong ? (
        <Text id={id} role="alert" color="beet" textStyle="small" mt="2">
          {wrong}
        </Text>
      ) : null}
      <Slider.Root
        mt="4"
        mb="1"
        px="2"
        min={low}
        max={high}
        step={step}
        value={[Math.min(high, Math.max(low, value))]}
        onValueChange={(change) => set(change.value[0] ?? value)}
        aria-label={[`${label}, slide`]}
        colorPalette="orange"
      >
        <Slider.Control>
          <Slider.Track bg="well">
            <Slider.Range bg="ember" />
          </Slider.Track>
          <Slider.Thumb index={0} bg="raised" borderColor="ember" borderWidth="2px" />
        </Slider.Control>
      </Slider.Root>
      <Flex mt="3" gap="2" wrap="wrap" align="center" justify="space-between">
        {children ?? <span />}
        <Action type="submit" look="solid">
          Done
        </Action>
      </Flex>
    </form>
  );
}
