// Pieces weighed one by one: a list, typed as the scale says it.
import { Box, Text, Textarea } from "@chakra-ui/react";
import { useId, useState } from "react";
import { reader } from "../../api/reader";
import { Action } from "../../components/recipes";
import { decimal, mass, type Units } from "../../lib/units";

export const MOST_PIECES = 60;

/** A comma between two digits may be a decimal comma; with a space after it, it never is. */
const SEPARATORS = decimal(1.5, 1).includes(",") ? /,\s+|[;\n]+/ : /[,;\n]+/;
const BETWEEN = decimal(1.5, 1).includes(",") ? "; " : ", ";

interface OneByOneProps {
  weights: number[];
  units: Units;
  onWeighed: (weights: number[]) => void;
}

export function OneByOne({ weights, units, onWeighed }: OneByOneProps) {
  const [typed, setTyped] = useState<string | null>(
    weights.length > 0 ? weights.map((grams) => mass(grams, units)).join(BETWEEN) : null,
  );
  const [wrong, setWrong] = useState<string | null>(null);
  const id = useId();
  if (typed === null) {
    return (
      <Action type="button" look="plain" onClick={() => setTyped("")}>
        Weigh them one by one
      </Action>
    );
  }
  const apply = async () => {
    const parts = typed.split(SEPARATORS).filter((part) => part.trim());
    if (parts.length === 0 || parts.length > MOST_PIECES) {
      return setWrong(`Write 1 to ${MOST_PIECES} weights with commas between them.`);
    }
    try {
      onWeighed(await Promise.all(parts.map(reader("piece_mass_g", units))));
    } catch (error) {
      // The typed text stays, so that it can be corrected.
      setWrong(error instanceof Error ? error.message : "That was not understood.");
    }
  };
  return (
    <Box w="full">
      <Text as="label" textStyle="small" display="block" mb="1" {...{ htmlFor: id }}>
        Each weight, with commas between
      </Text>
      <Textarea
        id={id}
        rows={2}
        value={typed}
        aria-invalid={wrong !== null}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        onChange={(event) => setTyped(event.target.value)}
      />
      {wrong ? (
        <Text id={`${id}-wrong`} role="alert" color="beet" textStyle="small" mt="1">
          {wrong}
        </Text>
      ) : null}
      <Action type="button" mt="2" onClick={() => void apply()}>
        Take these weights
      </Action>
    </Box>
  );
}
