// A reading of the thermometer with large keys, for one wet hand.
import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { type KeyboardEvent, useState } from "react";
import { Action } from "../../components/recipes";
import { degree, fromScale, type Units } from "../../lib/units";

interface KeypadProps {
  units: Units;
  title: string;
  onEnter: (celsius: number) => void;
  onCancel: () => void;
}

const KEYS = ["1", "2", "3", "4", "5", "6", "7", "8", "9", "⌫", "0", "OK"] as const;
const DIGITS = 3;
/** What a kitchen thermometer can show, °C; the server's bound for a reading. */
const RANGE = [-5, 130] as const;

export function Keypad({ units, title, onEnter, onCancel }: KeypadProps) {
  const [text, setText] = useState("");
  const celsius = fromScale(Number(text), units);
  const wrong = text !== "" && (celsius < RANGE[0] || celsius > RANGE[1]);

  const press = (key: string) => {
    if (key === "⌫" || key === "Backspace") setText(text.slice(0, -1));
    else if (key === "OK" || key === "Enter") {
      if (text !== "" && !wrong) onEnter(celsius);
    } else if (/^\d$/.test(key) && text.length < DIGITS) setText(text + key);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.key === "Escape") onCancel();
    else if (event.target === event.currentTarget || event.key !== "Enter") press(event.key);
  };

  return (
    <Box
      role="group"
      aria-label={title}
      tabIndex={-1}
      ref={(element: HTMLDivElement | null) => element?.focus()}
      onKeyDown={onKey}
      outline="none"
    >
      <Flex justify="space-between" align="baseline" mb="2">
        <Text textStyle="section">{title}</Text>
        <Action type="button" look="plain" whiteSpace="nowrap" flexShrink="0" onClick={onCancel}>
          Not now
        </Action>
      </Flex>
      <Text
        textStyle="count"
        color={wrong ? "beet" : "ink"}
        role="status"
        aria-live="polite"
        mb="2"
      >
        {text === "" ? "–" : text}
        <Text as="span" textStyle="title" color="ink.soft">
          {" "}
          {degree(units)}
        </Text>
      </Text>
      {wrong ? (
        <Text role="alert" color="beet" textStyle="body" mb="2">
          {text} {degree(units)} is more than a kitchen thermometer shows. Mend it with ⌫.
        </Text>
      ) : null}
      <Grid templateColumns="repeat(3, 1fr)" gap="2.5">
        {KEYS.map((key) => (
          <Action
            key={key}
            type="button"
            look={key === "OK" ? "zest" : "quiet"}
            textStyle="key"
            minH="key"
            aria-label={key === "⌫" ? "take one back" : key}
            disabled={key === "OK" && (text === "" || wrong)}
            onClick={() => press(key)}
          >
            {key}
          </Action>
        ))}
      </Grid>
    </Box>
  );
}
