// A recipe: its name, what it is for, a line for each ingredient in the cook's own units, its steps and notes; beside
// the ingredients what they weigh, their salt, sugar and allergens.
import { Box, chakra, Flex, Input, Text, Textarea } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as v from "valibot";
import {
  changeRecipe,
  keepRecipe,
  readRecipe,
  recipesQuery,
  weighedQuery,
} from "../../api/queries";
import type { KeptRecipe, Recipe } from "../../api/types";
import { Choice } from "../../components/Choice";
import { FileButton } from "../../components/FileButton";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { lineOf } from "../../domain/recipe";
import { useSettings } from "../../domain/settings";
import { Undecided, useMerging } from "../../domain/useMerging";
import { useDraft } from "../../lib/draft";
import { useIdentity, useSettled } from "../../lib/hooks";
import { smallMass } from "../../lib/units";
import { KINDS, type TypedRecipe, told, typed } from "./recipe";

interface RecipeEditorProps {
  /** Which one of the kitchen's; nothing for a new one. */
  known: KeptRecipe | null;
  saved: Recipe;
  onDone: () => void;
}

const TYPED = v.object({
  name: v.string(),
  kind: v.picklist(KINDS.map(({ value }) => value)),
  items: v.string(),
  steps: v.string(),
  notes: v.string(),
  serves: v.string(),
  allergens: v.record(v.string(), v.string()),
});

const isTyped = (value: unknown): value is TypedRecipe => v.is(TYPED, value);

/** The first line of a text without an amount is its name; this one is said apart. */
const asText = (recipe: TypedRecipe) => `-\n${recipe.items}`;

const SETTLE = 400;

export function RecipeEditor({ known, saved, onDone }: RecipeEditorProps) {
  const id = known?.id ?? null;
  const queries = useQueryClient();
  const [recipe, setRecipe] = useDraft(`recipe ${id ?? "new"}`, typed(saved), isTyped);
  const fresh = useIdentity(recipe);
  const merging = useMerging(
    {
      seen: { revision: known?.revision ?? 0, document: saved },
      editing: true,
      of: `recipe ${id ?? "new"}`,
    },
    (revision, said) =>
      known ? changeRecipe({ id: known.id, revision }, said) : keepRecipe(fresh, said),
    (current) => {
      const own = current as KeptRecipe;
      return { revision: own.revision, document: own.recipe };
    },
    (decided) => {
      setRecipe(typed(decided));
      keep.mutate(decided);
    },
  );
  const asTold = async () => {
    const { recipe: read, unread } = await readRecipe(asText(recipe), recipe.kind);
    const lost = unread[0];
    if (lost !== undefined) {
      throw new Error(
        `“${lost}” says no amount; write it like 2 tbsp soy sauce or 3 cloves garlic.`,
      );
    }
    return told(recipe, read.items, saved.items);
  };
  const keep = useMutation({
    mutationFn: async (decided: Recipe | null) => merging.save(decided ?? (await asTold())),
    onSuccess: async () => {
      setRecipe(null);
      await queries.invalidateQueries({ queryKey: recipesQuery().queryKey });
      onDone();
    },
  });
  const set = (part: Partial<TypedRecipe>) => {
    keep.reset();
    setRecipe({ ...recipe, ...part });
  };
  const read = useMutation({
    mutationFn: (text: string) => readRecipe(text, recipe.kind),
    onSuccess: ({ recipe: found, unread }) => {
      const next = typed(found);
      setRecipe({
        ...next,
        name: recipe.name || next.name,
        items: [next.items, ...unread].join("\n"),
      });
    },
  });
  return (
    <chakra.form
      aria-label={id ? `Recipe ${saved.name}` : "A new recipe"}
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
          value={recipe.name}
          maxLength={80}
          onChange={(event) => set({ name: event.target.value })}
        />
      </Text>
      <Text textStyle="body" mt="2">
        It is a{" "}
        <Word
          label="Kind of recipe"
          text={KINDS.find((one) => one.value === recipe.kind)?.text ?? ""}
        >
          {(close) => (
            <Choice
              items={KINDS}
              chosen={recipe.kind}
              onChoose={(kind) => {
                set({ kind });
                close();
              }}
            />
          )}
        </Word>
        .
      </Text>
      <Text as="label" textStyle="small" display="block" mt="3">
        Ingredients, a line each: 2 tbsp soy sauce, 500 g potatoes, 3 cloves garlic
        <Textarea
          borderColor="ink.soft"
          value={recipe.items}
          rows={Math.max(4, recipe.items.split("\n").length + 1)}
          onChange={(event) => set({ items: event.target.value })}
        />
      </Text>
      <Flex gap="1" wrap="wrap">
        <FileButton
          label="File of a recipe"
          accept=".json,.jsonld,.html,.htm,.txt,application/ld+json,text/html,text/plain"
          onFile={(file) => void file.text().then((text) => read.mutate(text))}
        >
          Read a recipe from a file
        </FileButton>
        <Action
          type="button"
          look="plain"
          disabled={read.isPending || recipe.items.trim() === ""}
          onClick={() => read.mutate(recipe.items)}
        >
          Read what I pasted
        </Action>
      </Flex>
      <Weighed
        recipe={recipe}
        saved={saved}
        onAllergens={(what, words) => set({ allergens: { ...recipe.allergens, [what]: words } })}
      />
      <Text as="label" textStyle="small" display="block" mt="3">
        Steps, a line each, with their minutes in brackets: Simmer it (5 min)
        <Textarea
          borderColor="ink.soft"
          value={recipe.steps}
          rows={Math.max(2, recipe.steps.split("\n").length + 1)}
          onChange={(event) => set({ steps: event.target.value })}
        />
      </Text>
      <Text as="label" textStyle="small" display="block" mt="3">
        Notes
        <Textarea
          borderColor="ink.soft"
          value={recipe.notes}
          maxLength={600}
          rows={2}
          onChange={(event) => set({ notes: event.target.value })}
        />
      </Text>
      <Text as="label" textStyle="small" display="block" mt="3">
        For how many, where it is for eaters
        <Input
          display="block"
          value={recipe.serves}
          inputMode="numeric"
          maxW="24"
          onChange={(event) => set({ serves: event.target.value })}
        />
      </Text>
      {merging.screen}
      {read.error ? <Trouble>{read.error.message}</Trouble> : null}
      {keep.error && !(keep.error instanceof Undecided) ? (
        <Box mt="2">
          <Trouble>{keep.error.message} Nothing you wrote is lost.</Trouble>
        </Box>
      ) : null}
      <Flex gap="2" mt="3" wrap="wrap">
        <Action type="submit" look="solid" disabled={keep.isPending}>
          Save recipe
        </Action>
        <Action
          type="button"
          look="plain"
          onClick={() => {
            setRecipe(null);
            onDone();
          }}
        >
          Cancel
        </Action>
      </Flex>
    </chakra.form>
  );
}

interface WeighedProps {
  recipe: TypedRecipe;
  saved: Recipe;
  onAllergens: (what: string, words: string) => void;
}

/** What was understood of the ingredients, while they are written. */
function Weighed({ recipe, saved, onAllergens }: WeighedProps) {
  const units = useSettings();
  const calm = useSettled(recipe, SETTLE);
  const read = useQuery({
    queryKey: ["read recipe", calm.items, calm.kind],
    queryFn: () => readRecipe(asText(calm), calm.kind),
    enabled: calm.items.trim() !== "",
    retry: false,
  });
  const items = read.data?.recipe.items ?? [];
  const said = told({ ...recipe, name: recipe.name.trim() || "a recipe" }, items, saved.items);
  const weighed = useQuery({ ...weighedQuery(said), enabled: items.length > 0 });
  if (!weighed.data) return null;
  const { mass_g, salt_g, sugar_g, sugar_percent, allergens } = weighed.data;
  return (
    <Box mt="2">
      <Box as="ul" listStyleType="none" textStyle="small">
        {items.map((item, n) => {
          const one = weighed.data.items[n];
          return one ? (
            <Flex
              as="li"
              key={`${item.what} ${n}`}
              gap="3"
              align="center"
              justify="space-between"
              borderTop="1px solid"
              borderColor="line"
            >
              <Text>
                {lineOf(item)} · {smallMass(one.mass_g, units)}
                {one.salt_percent >= 1 ? ` · ${Math.round(one.salt_percent)} % salt` : ""}
                {one.sugar_percent >= 1 ? ` · ${Math.round(one.sugar_percent)} % sugar` : ""}
              </Text>
              <Input
                aria-label={`Allergens of ${item.what}`}
                placeholder="allergens"
                w="36"
                flexShrink="0"
                value={recipe.allergens[item.what] ?? one.allergens.join(", ")}
                onChange={(event) => onAllergens(item.what, event.target.value)}
              />
            </Flex>
          ) : null;
        })}
      </Box>
      <Text textStyle="small" mt="1">
        Together {smallMass(mass_g, units)}, with {smallMass(salt_g, units)} of salt and{" "}
        {smallMass(sugar_g, units)} of sugar ({Math.round(sugar_percent)} %)
        {allergens.length > 0 ? `. Allergens: ${allergens.join(", ")}` : ""}.
      </Text>
      {read.data?.unread.map((line) => (
        <Text key={line} textStyle="small" color="ink.soft">
          “{line}” says no amount yet.
        </Text>
      ))}
    </Box>
  );
}
