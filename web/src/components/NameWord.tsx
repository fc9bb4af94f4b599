// A name as a word that opens to be typed.
import { Input } from "@chakra-ui/react";
import { Action } from "./recipes";
import { Word } from "./Word";

interface NameWordProps {
  label?: string;
  name: string;
  /** Letters, at the most. */
  most: number;
  wrong: boolean;
  onName: (name: string) => void;
}

export function NameWord({ label = "Name", name, most, wrong, onName }: NameWordProps) {
  return (
    <Word label={label} text={name || "no name"} state={wrong ? "wrong" : "told"}>
      {(close) => (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            close();
          }}
        >
          <Input
            data-first
            aria-label={label}
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
