// A time of day, typed.
import { Flex, Input, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import { clockExample, nextAt, timeOfDay } from "../lib/clock";
import { Action } from "./recipes";

interface ClockFormProps {
  label: string;
  value: string;
  /** Takes the time as 19:00, in every language. */
  onTold: (text: string) => void;
  children?: ReactNode;
}

export function ClockForm({ label, value, onTold, children }: ClockFormProps) {
  const [typed, setTyped] = useState(value);
  const [wrong, setWrong] = useState(false);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const at = nextAt(typed, new Date());
        setWrong(!at);
        if (at) onTold(timeOfDay(at));
      }}
    >
      <Flex gap="2" align="center" mb="2">
        <Input
          data-first
          aria-label={label}
          aria-invalid={wrong}
          placeholder={clockExample()}
          textStyle="time"
          value={typed}
          onFocus={(event) => event.target.select()}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Action type="submit" look="solid">
          Set
        </Action>
      </Flex>
      {wrong ? (
        <Text role="alert" color="beet" textStyle="small" mb="2">
          “{typed}” is not a time of day; write it like {clockExample()}.
        </Text>
      ) : null}
      {children}
    </form>
  );
}
