// A reading of the thermometer with large keys, for one wet hand; a keyboard types into the field.
import { Flex, Grid, Input, Text } from "@chakra-ui/react";
import { useId, useState } from "react";
import { Action } from "../../components/recipes";
import { degree, fromScale, type Units } from "../../lib/units";

interface KeypadProps {
  units: Units;
  title: string;
  onEnter: (celsius: number) => void;
  onCancel: () => void;
}

const KEYS = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "⌫", "0", "OK"] as const;
const LONGEST = 5;
/** Range of a kitchen thermometer, °C; the server's bound for a reading. */
const RANGE = [-5, 130] as const;

export function Keypad({ units, title, onEnter, onCancel }: KeypadProps) {
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const id = useId();
  const type = (next: string) => {
    setText(next.slice(0, LONGEST));
    setWrong(null);
  };
  const enter = () => {
    const celsius = fromScale(Number(text.replace(",", ".")), units);
    if (text.trim() === "" || !Number.isFinite(celsius)) {
      return setWrong(`Type what the thermometer shows, in ${degree(units)}.`);
    }
    if (celsius < RANGE[0] || celsius > RANGE[1]) {
      return setWrong(`A kitchen thermometer does not show ${text} ${degree(units)}. Correct it.`);
    }
    onEnter(celsius);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        enter();
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") onCancel();
      }}
    >
      <Flex justify="space-between" align="baseline" mb="2">
        <Text textStyle="section">{title}</Text>
        <Action type="button" look="plain" whiteSpace="nowrap" flexShrink="0" onClick={onCancel}>
          Cancel
        </Action>
      </Flex>
      <Flex align="baseline" gap="3" mb="2">
        <Input
          ref={(element: HTMLInputElement | null) => element?.focus()}
          aria-label={`Core in ${degree(units)}`}
          aria-invalid={wrong !== null}
          aria-describedby={wrong ? id : undefined}
          inputMode="none"
          autoComplete="off"
          textStyle="count"
          h="auto"
          border="none"
          px="0"
          value={text}
          placeholder="–"
          onChange={(event) => type(event.target.value)}
        />
        <Text as="span" textStyle="title" color="ink.soft">
          {degree(units)}
        </Text>
      </Flex>
      <Text id={id} role="alert" color="beet" textStyle="body" minH="6" mb="2">
        {wrong}
      </Text>
      <Grid templateColumns="repeat(3, 1fr)" gap="2.5">
        {KEYS.map((key) => (
          <Action
            key={key}
            type={key === "OK" ? "submit" : "button"}
            look={key === "OK" ? "zest" : "quiet"}
            textStyle="key"
            minH="key"
            aria-label={key === "⌫" ? "take one back" : key}
            onClick={
              key === "OK" ? undefined : () => type(key === "⌫" ? text.slice(0, -1) : text + key)
            }
          >
            {key}
          </Action>
        ))}
      </Grid>
    </form>
  );
}
