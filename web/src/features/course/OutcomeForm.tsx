// How it came out: two scales in words, the last reading, a note.
import { Box, chakra, Flex, Text, Textarea } from "@chakra-ui/react";
import * as v from "valibot";
import type { Outcome } from "../../api/types";
import { Action } from "../../components/recipes";
import { useDraft } from "../../lib/draft";

export const CRISPNESS = ["soggy", "soft", "fair", "crisp", "very crisp"] as const;
export const DONENESS = ["raw inside", "under", "just right", "over", "dry"] as const;

interface OutcomeFormProps {
  /** Identity of the cook: what was chosen for it outlives a reload. */
  of: string;
  core: number | null;
  onDone: (outcome: Outcome) => void;
  onCancel: () => void;
}

const NOTE_LIMIT = 2000;

interface Chosen {
  crispness: number | null;
  doneness: number | null;
  note: string;
}

const NOTHING: Chosen = { crispness: null, doneness: null, note: "" };

const CHOSEN = v.object({
  crispness: v.nullable(v.number()),
  doneness: v.nullable(v.number()),
  note: v.string(),
});
const isChosen = (value: unknown): value is Chosen => v.is(CHOSEN, value);

export function OutcomeForm({ of, core, onDone, onCancel }: OutcomeFormProps) {
  const [chosen, choose] = useDraft(`outcome ${of}`, NOTHING, isChosen);
  const { crispness, doneness, note } = chosen;
  const change = (part: Partial<Chosen>) => choose({ ...chosen, ...part });
  const ready = crispness !== null && doneness !== null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (crispness !== null && doneness !== null) {
          choose(null);
          onDone({ core_c: core, crispness, doneness, note: note.trim() });
        }
      }}
    >
      <Text as="h1" textStyle="title" mb="3">
        How did it come out?
      </Text>
      <Scale
        name="The outside"
        words={CRISPNESS}
        value={crispness}
        onChange={(value) => change({ crispness: value })}
      />
      <Scale
        name="The inside"
        words={DONENESS}
        value={doneness}
        onChange={(value) => change({ doneness: value })}
      />
      <chakra.label display="block" textStyle="section" mb="1" htmlFor="note">
        Notes
      </chakra.label>
      <Textarea
        id="note"
        rows={3}
        maxLength={NOTE_LIMIT}
        value={note}
        placeholder="what to change next time"
        onChange={(event) => change({ note: event.target.value })}
        textStyle="body"
      />
      <Flex gap="3" mt="4" direction="column">
        <Action type="submit" look="zest" big disabled={!ready}>
          Save to logbook
        </Action>
        <Action type="button" look="plain" onClick={onCancel}>
          Not yet
        </Action>
      </Flex>
    </form>
  );
}

interface ScaleProps {
  name: string;
  words: readonly string[];
  value: number | null;
  onChange: (value: number) => void;
}

function Scale({ name, words, value, onChange }: ScaleProps) {
  return (
    <Box as="fieldset" mb="4" border="none">
      <chakra.legend textStyle="section" mb="1.5">
        {name}
      </chakra.legend>
      <Flex gap="2" wrap="wrap">
        {words.map((word, n) => (
          <Action
            key={word}
            type="button"
            aria-pressed={value === n + 1}
            look={value === n + 1 ? "solid" : "quiet"}
            px="3"
            onClick={() => onChange(n + 1)}
          >
            {word}
          </Action>
        ))}
      </Flex>
    </Box>
  );
}
