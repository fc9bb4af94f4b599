// When it is to be on the table.
import { Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { clock, nextAt } from "../../lib/clock";

interface WhenWordProps {
  eat: string | null;
  onEat: (eat: string | null) => void;
}

export function WhenWord({ eat, onEat }: WhenWordProps) {
  return (
    <Word
      label="On the table"
      text={eat ? `at ${eat}` : "as soon as it is ready"}
      state={eat ? "told" : "guessed"}
    >
      {(close) => <WhenForm eat={eat} onEat={onEat} close={close} />}
    </Word>
  );
}

function WhenForm({ eat, onEat, close }: WhenWordProps & { close: () => void }) {
  const [typed, setTyped] = useState(eat ?? "");
  const [wrong, setWrong] = useState(false);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const at = nextAt(typed, new Date());
        setWrong(at === null);
        if (at) {
          onEat(clock(at));
          close();
        }
      }}
    >
      <Input
        data-first
        aria-label="Time on the clock"
        aria-invalid={wrong}
        placeholder="19:00"
        textStyle="time"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {wrong ? (
        <Text role="alert" color="beet" textStyle="small" mt="2">
          “{typed}” is not a time of day; write it like 19:00.
        </Text>
      ) : null}
      <Flex mt="3" gap="2" justify="space-between" wrap="wrap">
        <Action
          type="button"
          look="plain"
          onClick={() => {
            onEat(null);
            close();
          }}
        >
          As soon as it is ready
        </Action>
        <Action type="submit" look="solid">
          Done
        </Action>
      </Flex>
    </form>
  );
}
