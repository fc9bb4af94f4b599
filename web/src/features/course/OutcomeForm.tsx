// How it came out: two scales in words, the last reading, its colour, who cooked, a note.
import { Box, chakra, Flex, Input, Text, Textarea } from "@chakra-ui/react";
import * as v from "valibot";
import type { Outcome } from "../../api/types";
import { Action } from "../../components/recipes";
import { useDraft } from "../../lib/draft";
import { useCookName } from "../../lib/remembered";

export const CRISPNESS = ["soggy", "soft", "fair", "crisp", "very crisp"] as const;
export const DONENESS = ["raw inside", "under", "just right", "over", "dry"] as const;
/** The colour against the plan. */
const SHADES = { paler: "paler", as_planned: "as planned", darker: "darker" } as const;

/** "crisp, paler than planned", "soft". */
export function outsideWords({ crispness, colour }: Outcome): string {
  const bite = CRISPNESS[crispness - 1] ?? "";
  return colour == null || colour === "as_planned"
    ? bite
    : `${bite}, ${SHADES[colour]} than planned`;
}

interface OutcomeFormProps {
  /** Identity of the cook: what was chosen for it outlives a reload. */
  of: string;
  core: number | null;
  onDone: (outcome: Outcome) => void;
  onCancel: () => void;
}

const NOTE_LIMIT = 2000;
const NAME_LIMIT = 60;

interface Chosen {
  crispness: number | null;
  doneness: number | null;
  colour: keyof typeof SHADES | null;
  note: string;
}

const NOTHING: Chosen = { crispness: null, doneness: null, colour: null, note: "" };

const CHOSEN = v.object({
  crispness: v.nullable(v.number()),
  doneness: v.nullable(v.number()),
  colour: v.nullable(v.picklist(["paler", "as_planned", "darker"])),
  note: v.string(),
});
const isChosen = (value: unknown): value is Chosen => v.is(CHOSEN, value);

export function OutcomeForm({ of, core, onDone, onCancel }: OutcomeFormProps) {
  const [chosen, choose] = useDraft(`outcome ${of}`, NOTHING, isChosen);
  const { crispness, doneness, colour, note } = chosen;
  const [by, setBy] = useCookName();
  const change = (part: Partial<Chosen>) => choose({ ...chosen, ...part });
  const ready = crispness !== null && doneness !== null;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (crispness !== null && doneness !== null) {
          choose(null);
          onDone({ core_c: core, crispness, doneness, colour, note: note.trim(), by: by.trim() });
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
      <Choices
        name="Its colour, if you noticed"
        words={SHADES}
        value={colour}
        onChange={(value) => change({ colour: value === colour ? null : value })}
      />
      <chakra.label display="block" textStyle="section" mb="1" htmlFor="by">
        Who cooked
      </chakra.label>
      <Input
        id="by"
        maxLength={NAME_LIMIT}
        value={by}
        placeholder="may stay empty"
        onChange={(event) => setBy(event.target.value)}
        textStyle="body"
        maxW="18rem"
        mb="4"
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

/** Words from 1 on. */
const Scale = ({ words, value, onChange, ...rest }: ScaleProps) => (
  <Choices
    {...rest}
    words={Object.fromEntries(words.map((word, n) => [n + 1, word]))}
    value={value === null ? null : String(value)}
    onChange={(picked) => onChange(Number(picked))}
  />
);

interface ChoicesProps<T extends string> {
  name: string;
  words: Readonly<Record<T, string>>;
  value: T | null;
  onChange: (value: T) => void;
}

function Choices<T extends string>({ name, words, value, onChange }: ChoicesProps<T>) {
  return (
    <Box as="fieldset" mb="4" border="none">
      <chakra.legend textStyle="section" mb="1.5">
        {name}
      </chakra.legend>
      <Flex gap="2" wrap="wrap">
        {(Object.entries(words) as [T, string][]).map(([one, word]) => (
          <Action
            key={one}
            type="button"
            aria-pressed={value === one}
            look={value === one ? "solid" : "quiet"}
            px="3"
            onClick={() => onChange(one)}
          >
            {word}
          </Action>
        ))}
      </Flex>
    </Box>
  );
}
