// A blend: its name and what it is mixed of, in grams.
import { Box, Checkbox, chakra, Flex, Grid, Input, Text } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import * as v from "valibot";
import { blendsQuery, changeBlend, keepBlend } from "../../api/queries";
import type { Blend, KeptBlend } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { Undecided, useMerging } from "../../domain/useMerging";
import { useDraft } from "../../lib/draft";
import { useIdentity } from "../../lib/hooks";
import { without } from "../../lib/lists";

interface BlendEditorProps {
  /** Which one of the kitchen's; nothing for a new one. */
  known: KeptBlend | null;
  saved: Blend;
  onDone: () => void;
}

/** As it is typed: a number that is not one yet stays. */
interface TypedPart {
  what: string;
  grams: string;
  salt: boolean;
  allergen: string;
}

interface TypedBlend {
  name: string;
  parts: TypedPart[];
}

const TYPED = v.object({
  name: v.string(),
  parts: v.array(
    v.object({ what: v.string(), grams: v.string(), salt: v.boolean(), allergen: v.string() }),
  ),
});

const EMPTY: TypedPart = { what: "", grams: "", salt: false, allergen: "" };

const isTyped = (value: unknown): value is TypedBlend => v.is(TYPED, value);

const typed = ({ name, parts }: Blend): TypedBlend => ({
  name,
  parts: parts.map((part) => ({
    what: part.what,
    grams: String(part.mass_g),
    salt: part.salt ?? false,
    allergen: part.allergen ?? "",
  })),
});

/** What was typed; a line that is empty is none. */
function told({ name, parts }: TypedBlend): Blend {
  return {
    name,
    parts: parts
      .filter((part) => part.what.trim() || part.grams.trim())
      .map((part) => {
        const mass_g = Number(part.grams.replace(",", "."));
        if (!part.what.trim()) throw new Error(`Say what the ${part.grams} g are.`);
        if (!Number.isFinite(mass_g) || mass_g <= 0) {
          throw new Error(`“${part.grams}” is no weight of ${part.what}; write grams, like 12.`);
        }
        const allergen = part.allergen.trim();
        return {
          what: part.what.trim(),
          mass_g,
          salt: part.salt,
          ...(allergen ? { allergen } : {}),
        };
      }),
  };
}

export function BlendEditor({ known, saved, onDone }: BlendEditorProps) {
  const id = known?.id ?? null;
  const queries = useQueryClient();
  const [blend, setBlend] = useDraft(`blend ${id ?? "new"}`, typed(saved), isTyped);
  const fresh = useIdentity(blend);
  const merging = useMerging(
    {
      seen: { revision: known?.revision ?? 0, document: saved },
      editing: true,
      of: `blend ${id ?? "new"}`,
    },
    (revision, said) =>
      known ? changeBlend({ id: known.id, revision }, said) : keepBlend(fresh, said),
    (current) => {
      const own = current as KeptBlend;
      return { revision: own.revision, document: own.blend };
    },
    (decided) => {
      setBlend(typed(decided));
      keep.mutate(decided);
    },
  );
  const keep = useMutation({
    mutationFn: async (decided: Blend | null) => merging.save(decided ?? told(blend)),
    onSuccess: async () => {
      setBlend(null);
      await queries.invalidateQueries({ queryKey: blendsQuery().queryKey });
      onDone();
    },
  });
  const set = (next: TypedBlend) => {
    keep.reset();
    setBlend(next);
  };
  const put = (n: number, part: Partial<TypedPart>) =>
    set({
      ...blend,
      parts: blend.parts.map((known, m) => (m === n ? { ...known, ...part } : known)),
    });
  return (
    <chakra.form
      aria-label={id ? `Blend ${saved.name}` : "A new blend"}
      borderTop="2px solid"
      borderColor="ink"
      py="3"
      maxW="reading"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(null);
      }}
    >
      <Text as="label" textStyle="small">
        Name
        <Input
          value={blend.name}
          maxLength={60}
          onChange={(event) => set({ ...blend, name: event.target.value })}
        />
      </Text>
      <Grid
        templateColumns={{ base: "5rem auto 1fr auto", md: "1fr 5rem auto 8rem auto" }}
        gap="2"
        mt="3"
        alignItems="center"
      >
        {["what", "grams", "salt", "allergen", ""].map((head) => (
          <Text
            key={head}
            textStyle="small"
            color="ink.soft"
            display={{ base: "none", md: "block" }}
          >
            {head}
          </Text>
        ))}
        {blend.parts.map((part, n) => (
          <Box key={n} display="contents">
            <Input
              gridColumn={{ base: "1 / -1", md: "auto" }}
              placeholder="what"
              aria-label={`Part ${n + 1}`}
              value={part.what}
              maxLength={60}
              onChange={(event) => put(n, { what: event.target.value })}
            />
            <Input
              aria-label={`Grams of part ${n + 1}`}
              inputMode="decimal"
              placeholder="grams"
              value={part.grams}
              onChange={(event) => put(n, { grams: event.target.value })}
            />
            <Checkbox.Root
              checked={part.salt}
              onCheckedChange={(change) => put(n, { salt: change.checked === true })}
            >
              <Checkbox.HiddenInput aria-label={`Part ${n + 1} is salt`} />
              <Checkbox.Control borderColor="ink.soft" />
              <Checkbox.Label display={{ md: "none" }}>salt</Checkbox.Label>
            </Checkbox.Root>
            <Input
              placeholder="allergen"
              aria-label={`Allergen of part ${n + 1}`}
              value={part.allergen}
              maxLength={60}
              onChange={(event) => put(n, { allergen: event.target.value })}
            />
            <Action
              type="button"
              look="plain"
              aria-label={`Leave out part ${n + 1}`}
              onClick={() => set({ ...blend, parts: without(blend.parts, n) })}
            >
              ×
            </Action>
          </Box>
        ))}
      </Grid>
      <Action
        type="button"
        look="plain"
        onClick={() => set({ ...blend, parts: [...blend.parts, EMPTY] })}
      >
        Another part
      </Action>
      {merging.screen}
      {keep.error && !(keep.error instanceof Undecided) ? (
        <Box mt="2">
          <Trouble>{keep.error.message} Nothing you wrote is lost.</Trouble>
        </Box>
      ) : null}
      <Flex gap="2" mt="2" wrap="wrap">
        <Action type="submit" look="solid" disabled={keep.isPending}>
          Save
        </Action>
        <Action
          type="button"
          look="plain"
          onClick={() => {
            setBlend(null);
            onDone();
          }}
        >
          Cancel
        </Action>
      </Flex>
    </chakra.form>
  );
}
