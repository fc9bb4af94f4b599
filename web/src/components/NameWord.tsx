// A name as a word that opens to be typed; it counts once it is done, not letter by letter.
import { Input } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { Action } from "./recipes";
import { Word } from "./Word";

interface NameWordProps {
  label?: string;
  name: string;
  /** Greatest number of letters. */
  most: number;
  wrong: boolean;
  onName: (name: string) => void;
}

export function NameWord({ label = "Name", name, most, wrong, onName }: NameWordProps) {
  return (
    <Word label={label} text={name || "no name"} state={wrong ? "wrong" : "told"}>
      {(close) => <NameForm label={label} name={name} most={most} onName={onName} onDone={close} />}
    </Word>
  );
}

type NameFormProps = Omit<NameWordProps, "wrong" | "label"> & {
  label: string;
  onDone: () => void;
};

function NameForm({ label, name, most, onName, onDone }: NameFormProps) {
  const [typed, setTyped] = useState(name);
  // Once: a field that is submitted loses the focus too.
  const told = useRef(name);
  const tell = () => {
    if (typed === told.current) return;
    told.current = typed;
    onName(typed);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        tell();
        onDone();
      }}
    >
      <Input
        data-first
        aria-label={label}
        maxLength={most}
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
        // Also where the cook goes on elsewhere.
        onBlur={tell}
      />
      <Action type="submit" look="solid" mt="3">
        Done
      </Action>
    </form>
  );
}
