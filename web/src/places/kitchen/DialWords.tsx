// Words that are printed on a dial, each with its meaning.
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { reader } from "../../api/reader";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { setting } from "../../lib/units";
import type { MachineSentenceProps } from "./props";

export function DialWords({ machine, wrong, units, onChange }: MachineSentenceProps) {
  const words = machine.dial_words ?? [];
  const text = words.map((one) => `“${one.word}”, ${setting(one.setting_c, units)}`).join("; ");
  const put = (next: typeof words) => onChange({ dial_words: next.length > 0 ? next : undefined });
  return (
    <Word
      label="Words on the dial"
      text={text || "numbers alone"}
      state={wrong === "dial_words" ? "wrong" : "told"}
    >
      {() => (
        <Box>
          {words.map((one, n) => (
            <Flex key={one.word} justify="space-between" align="center" gap="2">
              <Text textStyle="body">
                {one.word}: {setting(one.setting_c, units)}
              </Text>
              <Action
                type="button"
                look="plain"
                aria-label={`Remove ${one.word}`}
                onClick={() => put(words.toSpliced(n, 1))}
              >
                Remove
              </Action>
            </Flex>
          ))}
          <NewWord
            units={units}
            onAdd={(word, setting_c) => put([...words, { word, setting_c }])}
          />
        </Box>
      )}
    </Word>
  );
}

interface NewWordProps {
  units: MachineSentenceProps["units"];
  onAdd: (word: string, setting_c: number) => void;
}

function NewWord({ units, onAdd }: NewWordProps) {
  const [word, setWord] = useState("");
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const add = async () => {
    try {
      const setting_c = await reader("setting_c", units)(typed);
      if (!word.trim()) throw new Error("Write the word as it is printed.");
      onAdd(word.trim(), setting_c);
      setWord("");
      setTyped("");
      setWrong(null);
    } catch (error) {
      setWrong(error instanceof Error ? error.message : "That was not understood.");
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void add();
      }}
    >
      <Flex gap="2" mt="2">
        <Input
          data-first
          aria-label="Word"
          placeholder="roast"
          maxLength={20}
          value={word}
          onChange={(event) => setWord(event.target.value)}
        />
        <Input
          aria-label="What it stands for"
          aria-invalid={wrong !== null}
          placeholder={setting(180, units)}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Action type="submit" look="solid">
          Add
        </Action>
      </Flex>
      {wrong ? (
        <Text role="alert" color="beet" textStyle="small" mt="1">
          {wrong}
        </Text>
      ) : null}
    </form>
  );
}
