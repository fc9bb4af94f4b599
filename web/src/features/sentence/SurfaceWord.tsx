// The surface of the pieces: one that cooks have a name for, or layers put on one after the other.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Catalogue, CutEntry, Layer } from "../../api/types";
import { byArrows } from "../../components/byArrows";
import { Action, Option } from "../../components/recipes";
import { Word } from "../../components/Word";
import { isSame, surfaceWords } from "../../domain/surface";

interface SurfaceWordProps {
  catalogue: Catalogue;
  entry: CutEntry;
  surface: Layer[];
  wrong?: boolean;
  onChange: (surface: Layer[]) => void;
}

export function SurfaceWord({ catalogue, entry, surface, wrong, onChange }: SurfaceWordProps) {
  const words = surfaceWords(surface, entry, catalogue.layers);
  return (
    <Word label="Surface" text={words} state={wrong ? "wrong" : "told"}>
      {(close) => (
        <Box maxH="70dvh" overflowY="auto" onKeyDown={byArrows}>
          {entry.surfaces.map((one) => {
            const chosen = isSame(one.surface, surface);
            return (
              <Option
                key={one.words}
                type="button"
                chosen={chosen}
                aria-pressed={chosen}
                data-first={chosen ? true : undefined}
                onClick={() => {
                  onChange(one.surface);
                  close();
                }}
              >
                {one.words}
              </Option>
            );
          })}
          <Layers catalogue={catalogue} surface={surface} onChange={onChange} />
        </Box>
      )}
    </Word>
  );
}

interface LayersProps {
  catalogue: Catalogue;
  surface: Layer[];
  onChange: (surface: Layer[]) => void;
}

/** Layers in the order in which they go on: each can be taken off or put on earlier, more can be added. */
function Layers({ catalogue, surface, onChange }: LayersProps) {
  const wordsOf = (layer: Layer) =>
    catalogue.layers.find((one) => one.layer === layer)?.words ?? layer;
  const without = (n: number) => surface.filter((_, m) => m !== n);
  const earlier = (n: number) => [
    ...surface.slice(0, n - 1),
    ...surface.slice(n, n + 1),
    ...surface.slice(n - 1, n),
    ...surface.slice(n + 1),
  ];
  const last = surface.at(-1);
  const full = surface.length >= catalogue.most_layers;
  return (
    <Box as="section" aria-label="Layers" borderTop="1px solid" borderColor="line" mt="2" pt="2">
      <Text textStyle="small" color="ink.say" px="3">
        Layers, the lowest first{surface.length === 0 ? ": none yet" : ""}
      </Text>
      <Box as="ol" listStyleType="none">
        {surface.map((layer, n) => (
          <Flex
            as="li"
            key={`${n} ${layer}`}
            justify="space-between"
            align="center"
            px="3"
            textStyle="body"
          >
            {n + 1}. {wordsOf(layer)}
            <Flex>
              {n > 0 ? (
                <Action
                  type="button"
                  look="plain"
                  textStyle="small"
                  aria-label={`${wordsOf(layer)} earlier`}
                  onClick={() => onChange(earlier(n))}
                >
                  Earlier
                </Action>
              ) : null}
              <Action
                type="button"
                look="plain"
                textStyle="small"
                aria-label={`Remove ${wordsOf(layer)}`}
                onClick={() => onChange(without(n))}
              >
                Remove
              </Action>
            </Flex>
          </Flex>
        ))}
      </Box>
      {full ? (
        <Text textStyle="small" color="ink.soft" px="3">
          {catalogue.most_layers} layers are the most.
        </Text>
      ) : (
        <Flex wrap="wrap" px="1" columnGap="1" role="group" aria-label="Put on next">
          {catalogue.layers
            .filter(({ goes_over }) => last === undefined || goes_over.includes(last))
            .map(({ layer, words }) => (
              <Action
                key={layer}
                type="button"
                look="plain"
                textStyle="small"
                aria-label={`Add ${words}`}
                onClick={() => onChange([...surface, layer])}
              >
                + {words}
              </Action>
            ))}
        </Flex>
      )}
    </Box>
  );
}
