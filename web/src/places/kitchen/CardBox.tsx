// The card box: recipes, and ways of getting meat ready that the cook wrote down.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import {
  deleteMethod,
  deleteRecipe,
  methodsQuery,
  recipesQuery,
  restoreMethod,
  restoreRecipe,
} from "../../api/queries";
import type { Catalogue, KeptMethod, KeptRecipe, Recipe } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { lineOf } from "../../domain/recipe";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { RecipeEditor } from "./RecipeEditor";

const NEW: Recipe = { name: "", kind: "rub", items: [] };

export function Recipes() {
  const queries = useQueryClient();
  const kept = useQuery(recipesQuery());
  const [open, setOpen] = useState<string | null>(null);
  const deletion = useDelete({
    remove: deleteRecipe,
    restore: restoreRecipe,
    changed: () => void queries.invalidateQueries({ queryKey: recipesQuery().queryKey }),
    told: (one: KeptRecipe) =>
      `“${one.recipe.name}” is deleted. What was planned with it keeps it.`,
  });
  return (
    <Box as="section" mt="8" id="recipes">
      <Text as="h2" textStyle="title" mb="2">
        Your recipes
      </Text>
      {kept.error ? <Trouble>{kept.error.message}</Trouble> : null}
      {deletion.notice}
      <Box as="ul" listStyleType="none">
        {(kept.data?.items ?? []).map((one) =>
          open === one.id ? (
            <li key={one.id}>
              <RecipeEditor known={one} saved={one.recipe} onDone={() => setOpen(null)} />
            </li>
          ) : (
            <Card
              key={one.id}
              name={one.recipe.name}
              words={[one.recipe.items.map(lineOf).join(", "), one.recipe.notes ?? ""]
                .filter((words) => words !== "")
                .join(". ")}
              onDelete={() => deletion.remove(one)}
            >
              <Action
                type="button"
                look="plain"
                aria-label={`Change ${one.recipe.name}`}
                onClick={() => setOpen(one.id)}
              >
                Change
              </Action>
              <Action
                as="a"
                look="plain"
                aria-label={`Save ${one.recipe.name} as a file`}
                {...{ href: `/api/recipes/${one.id}/export`, download: true }}
              >
                Save as a file
              </Action>
            </Card>
          ),
        )}
      </Box>
      <UnreadableRows
        kind="recipes"
        rows={kept.data?.unreadable ?? []}
        onGone={() => void queries.invalidateQueries({ queryKey: recipesQuery().queryKey })}
      />
      {open === "new" ? (
        <RecipeEditor known={null} saved={NEW} onDone={() => setOpen(null)} />
      ) : (
        <Action type="button" mt="2" onClick={() => setOpen("new")}>
          Write a recipe
        </Action>
      )}
    </Box>
  );
}

export function Ways({ catalogue }: { catalogue: Catalogue | undefined }) {
  const queries = useQueryClient();
  const kept = useQuery(methodsQuery());
  const deletion = useDelete({
    remove: deleteMethod,
    restore: restoreMethod,
    changed: () => void queries.invalidateQueries({ queryKey: methodsQuery().queryKey }),
    told: (one: KeptMethod) =>
      `“${one.method.name}” is deleted. What was planned with it keeps it.`,
  });
  const plural = (cut: string) => catalogue?.cuts.find((known) => known.cut === cut)?.plural ?? cut;
  return (
    <Box as="section" mt="8">
      <Text as="h2" textStyle="title" mb="2">
        Your ways of getting meat ready
      </Text>
      {kept.error ? <Trouble>{kept.error.message}</Trouble> : null}
      {deletion.notice}
      {kept.data?.items.length === 0 ? (
        <Text textStyle="body" color="ink.say" maxW="reading">
          None yet. In Plan, under “Preparation”, any method can be copied and edited under a name
          of yours and changed there.
        </Text>
      ) : null}
      <Box as="ul" listStyleType="none">
        {(kept.data?.items ?? []).map((one) => (
          <Card
            key={one.id}
            name={`${one.method.name}, for ${plural(one.method.cut)}`}
            words={one.method.tasks.map((task) => task.name).join(" · ")}
            onDelete={() => deletion.remove(one)}
          />
        ))}
      </Box>
      <UnreadableRows
        kind="methods"
        rows={kept.data?.unreadable ?? []}
        onGone={() => void queries.invalidateQueries({ queryKey: methodsQuery().queryKey })}
      />
    </Box>
  );
}

interface CardProps {
  name: string;
  words: string;
  onDelete: () => void;
  children?: ReactNode;
}

const Card = ({ name, words, onDelete, children }: CardProps) => (
  <Flex
    as="li"
    gap="4"
    justify="space-between"
    align="center"
    borderTop="1px solid"
    borderColor="line"
    py="2"
  >
    <Box>
      <Text textStyle="line" fontWeight="650">
        {name}
      </Text>
      <Text textStyle="small" color="ink.soft">
        {words}
      </Text>
    </Box>
    <Flex gap="1" flexShrink="0">
      {children}
      <Action type="button" look="plain" aria-label={`Delete ${name}`} onClick={onDelete}>
        Delete
      </Action>
    </Flex>
  </Flex>
);
