// A name as a word that opens to be typed.
import { Input } from "@chakra-ui/react";
import { Action } from "./recipes";
import { Word } from "./Word";

interface NameWordProps {
  name: string;
  /** Letters, at the most. */
  most: number;
  wrong: boolean;
  onName: (name: string) => void;
}

export function NameWord({ name, most, wrong, onName }: NameWordProps) {
  return (
    <Word label="Name" text={name || "no name"} state={wrong ? "wrong" : "told"}>
      {(close) => (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            close();
          }}
        >
          <Input
            data-first
            aria-label="Name"
            maxLength={most}
            value={name}
            onFocus={(event) => event.target.select()}
            onChange={(event) => onName(event.target.value)}
          />
          <Action type="submit" look="solid" mt="3">
            Done
          </Action>
        </form>
      )}
    </Word>
  );
}
