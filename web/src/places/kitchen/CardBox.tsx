// The card box: blends, and ways of getting meat ready that the cook wrote down.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import {
  blendsQuery,
  deleteBlend,
  deleteMethod,
  methodsQuery,
  restoreBlend,
  restoreMethod,
} from "../../api/queries";
import type { Blend, Catalogue, KeptBlend, KeptMethod } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { smallMass, type Units } from "../../lib/units";
import { BlendEditor } from "./BlendEditor";

const NEW: Blend = { name: "", parts: [{ what: "", mass_g: 10, salt: false }] };

export function Blends({ units }: { units: Units }) {
  const queries = useQueryClient();
  const kept = useQuery(blendsQuery());
  const [open, setOpen] = useState<string | null>(null);
  const deletion = useDelete({
    remove: deleteBlend,
    restore: restoreBlend,
    changed: () => void queries.invalidateQueries({ queryKey: blendsQuery().queryKey }),
    told: (one: KeptBlend) => `“${one.blend.name}” is deleted. What was planned with it keeps it.`,
  });
  return (
    <Box as="section" mt="8" id="blends">
      <Text as="h2" textStyle="title" mb="2">
        Your blends
      </Text>
      {kept.error ? <Trouble>{kept.error.message}</Trouble> : null}
      {deletion.notice}
      <Box as="ul" listStyleType="none">
        {(kept.data?.items ?? []).map((one) =>
          open === one.id ? (
            <li key={one.id}>
              <BlendEditor known={one} saved={one.blend} onDone={() => setOpen(null)} />
            </li>
          ) : (
            <Card
              key={one.id}
              name={one.blend.name}
              words={one.blend.parts
                .map((part) => `${part.what} ${smallMass(part.mass_g, units)}`)
                .join(", ")}
              onDelete={() => deletion.remove(one)}
            >
              <Action
                type="button"
                look="plain"
                aria-label={`Change ${one.blend.name}`}
                onClick={() => setOpen(one.id)}
              >
                Change
              </Action>
            </Card>
          ),
        )}
      </Box>
      <UnreadableRows
        kind="blends"
        rows={kept.data?.unreadable ?? []}
        onGone={() => void queries.invalidateQueries({ queryKey: blendsQuery().queryKey })}
      />
      {open === "new" ? (
        <BlendEditor known={null} saved={NEW} onDone={() => setOpen(null)} />
      ) : (
        <Action type="button" mt="2" onClick={() => setOpen("new")}>
          Mix a blend
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
