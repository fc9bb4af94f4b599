// The card box: recipes, and ways of getting meat ready that the cook wrote down.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { ApiFailure } from "../../api/client";
import {
  deleteMethod,
  deleteRecipe,
  deleteSide,
  keepSide,
  methodsQuery,
  recipesQuery,
  restoreMethod,
  restoreRecipe,
  restoreSide,
  sidesQuery,
} from "../../api/queries";
import type { Catalogue, KeptMethod, KeptRecipe, KeptSide, Recipe } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { lineOf } from "../../domain/recipe";
import { isSide } from "../../domain/schemas";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { saveFile } from "../../lib/save";
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

/** Side dishes of the kitchen's own; they are made in a supper, from a known one or from a file. */
export function Sides() {
  const queries = useQueryClient();
  const kept = useQuery(sidesQuery());
  const [wrong, setWrong] = useState<string | null>(null);
  const changed = () => void queries.invalidateQueries({ queryKey: sidesQuery().queryKey });
  const deletion = useDelete({
    remove: deleteSide,
    restore: restoreSide,
    changed,
    told: (one: KeptSide) => `“${one.side.name}” is deleted. Suppers that have it keep it.`,
  });
  const read = async (file: File) => {
    try {
      const side: unknown = JSON.parse(await file.text());
      if (!isSide(side)) throw new Error("no side dish");
      await keepSide(crypto.randomUUID(), side);
      setWrong(null);
      changed();
    } catch (error) {
      setWrong(
        error instanceof ApiFailure
          ? error.message
          : `“${file.name}” holds no side dish. Choose a file that was saved from one.`,
      );
    }
  };
  return (
    <Box as="section" mt="8" id="sides">
      <Text as="h2" textStyle="title" mb="2">
        Your side dishes
      </Text>
      {kept.error ? <Trouble>{kept.error.message}</Trouble> : null}
      {deletion.notice}
      {kept.data?.items.length === 0 ? (
        <Text textStyle="body" color="ink.say" maxW="reading">
          None yet. In Supper, the steps of any side dish can be changed and saved under a name of
          yours.
        </Text>
      ) : null}
      <Box as="ul" listStyleType="none">
        {(kept.data?.items ?? []).map((one) => (
          <Card
            key={one.id}
            name={one.side.name}
            words={one.side.steps.map((step) => step.what).join(" · ")}
            onDelete={() => deletion.remove(one)}
          >
            <Action
              type="button"
              look="plain"
              aria-label={`Save ${one.side.name} as a file`}
              onClick={() =>
                saveFile(
                  JSON.stringify(one.side, null, 2),
                  "application/json",
                  `${one.side.name}.json`,
                )
              }
            >
              Save as a file
            </Action>
          </Card>
        ))}
      </Box>
      <UnreadableRows kind="sides" rows={kept.data?.unreadable ?? []} onGone={changed} />
      <FileButton label="File of a side dish" onFile={(file) => void read(file)}>
        Read one from a file
      </FileButton>
      {wrong ? <Trouble>{wrong}</Trouble> : null}
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
    columnGap="4"
    justify="space-between"
    align="center"
    wrap="wrap"
    borderTop="1px solid"
    borderColor="line"
    py="2"
  >
    <Box minW="0">
      <Text textStyle="line" fontWeight="650">
        {name}
      </Text>
      <Text textStyle="small" color="ink.soft">
        {words}
      </Text>
    </Box>
    <Flex gap="1" wrap="wrap">
      {children}
      <Action type="button" look="plain" aria-label={`Delete ${name}`} onClick={onDelete}>
        Delete
      </Action>
    </Flex>
  </Flex>
);
